<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** Measurements as a table or as lines, and the day of those that say none. */
final class LogRequest extends FormRequest
{
    private const MOST_SIGNS = 6_000_000;

    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['text' => ['present', 'nullable', 'string', 'max:'.self::MOST_SIGNS],
            'today' => ['required', 'string', 'date_format:Y-m-d', 'after:1900-01-01']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['text.max' => 'This is too much: at most 6 000 000 characters are read.', 'text.string' => 'Must be a text.',
            'today' => 'Must be a day as 2026-05-31.', 'today.*' => 'Must be a day as 2026-05-31.'];
    }

    public function text(): string
    {
        return (string) ($this->validated()['text'] ?? '');
    }

    public function today(): string
    {
        return (string) $this->validated()['today'];
    }
}
