<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** Lines that a program said. */
final class SpokenRequest extends FormRequest
{
    private const MOST_SIGNS = 6_000_000;

    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['text' => ['present', 'nullable', 'string', 'max:'.self::MOST_SIGNS]];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['text.max' => 'This is too much: at most 6 000 000 characters are read.', 'text.string' => 'Must be a text.'];
    }

    public function text(): string
    {
        return (string) ($this->validated()['text'] ?? '');
    }
}
