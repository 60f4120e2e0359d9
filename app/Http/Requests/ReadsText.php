<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** Of a request with a long text that is only read. */
trait ReadsText
{
    private const MOST_SIGNS = 6_000_000;

    /** @return list<string> */
    private static function textRule(): array
    {
        return ['present', 'nullable', 'string', 'max:'.self::MOST_SIGNS];
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
}
