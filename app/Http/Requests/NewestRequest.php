<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** How many of the newest entries of a log are wanted. */
final class NewestRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['newest' => ['required', 'integer', 'between:1,10000']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['newest' => 'Must be a whole number from 1 to 10000.', 'newest.*' => 'Must be a whole number from 1 to 10000.'];
    }

    public function newest(): int
    {
        return $this->integer('newest');
    }
}
