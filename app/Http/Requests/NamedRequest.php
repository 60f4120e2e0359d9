<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** What is measured, or which fault is named. */
final class NamedRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['id' => ['required', 'string', 'max:90']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['id.*' => 'Must be one of those that were listed.'];
    }

    public function named(): string
    {
        return $this->string('id')->value();
    }
}
