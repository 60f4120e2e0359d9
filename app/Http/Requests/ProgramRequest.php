<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Brookstone\Core\Program\Language;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** In which language a program is wanted. */
final class ProgramRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['language' => ['sometimes', Rule::enum(Language::class)]];
    }

    public function language(): Language
    {
        return Language::from((string) ($this->validated()['language'] ?? Language::Sketch->value));
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['language' => 'There are: '.implode(', ', array_column(Language::cases(), 'value')).'.'];
    }
}
