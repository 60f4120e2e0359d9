<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Brookstone\Core\Program\Language;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** What shall be studied. */
final class StudyRequest extends FormRequest
{
    use LeavesOutEmpty;

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'kind' => ['required', Rule::in(['faults', 'drift', 'states', 'proof'])],
            'routine' => ['required_unless:kind,proof', 'string', 'max:40'],
            'language' => ['required_if:kind,proof', Rule::enum(Language::class)],
            'scenario' => ['sometimes', 'nullable', 'string', 'max:40'],
            'motion' => ['required_if:kind,drift', 'string', 'max:40'],
            'cycles' => ['sometimes', 'integer', 'min:1', 'max:5000'],
            'home_every' => ['sometimes', 'integer', 'min:0', 'max:5000'],
            'seed' => ['sometimes', 'integer', 'min:0', 'max:1000000'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['cycles.max' => 'At most 5000 cycles.', 'cycles.min' => 'One cycle at least.', 'cycles.integer' => 'Must be a whole number.',
            'home_every.integer' => 'Must be a whole number.', 'routine.required_unless' => 'Say which routine.',
            'language.required_if' => 'Say in which language.', 'motion.required_if' => 'Say which motion drifts.',
            'language' => 'There are: '.implode(', ', array_column(Language::cases(), 'value')).'.'];
    }
}
