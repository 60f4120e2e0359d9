<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** Measurements as a table or as lines, and the day of those that say none. */
final class LogRequest extends FormRequest
{
    use ReadsText;

    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['text' => self::textRule(), 'today' => ['required', 'string', 'date_format:Y-m-d', 'after:1900-01-01']];
    }

    public function today(): string
    {
        return (string) $this->validated()['today'];
    }
}
