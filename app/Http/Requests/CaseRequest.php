<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** From which build a case is wanted, and what was hard before. */
final class CaseRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['build' => ['required', 'string', 'max:40'], 'seed' => ['required', 'integer', 'between:0,2000000000'], 'hard' => ['array', 'max:40'],
            'hard.*' => ['string', 'max:40']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['build' => 'Must be one of your builds.', 'build.*' => 'Must be one of your builds.',
            'seed.*' => 'Must be a whole number from 0 to 2000000000.',
            'hard' => 'Must be a list of kinds of faults.', 'hard.*' => 'Must be a list of kinds of faults.'];
    }

    /** @return list<string> */
    public function hard(): array
    {
        return array_values(array_map(strval(...), (array) $this->input('hard', [])));
    }
}
