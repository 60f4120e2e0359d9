<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** The day that it is where the builder sits. */
final class TodayRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['today' => ['required', 'string', 'date_format:Y-m-d', 'after:1900-01-01', 'before:2200-01-01']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['today' => 'Must be a day as 2026-05-31.', 'today.*' => 'Must be a day as 2026-05-31.'];
    }

    public function today(): string
    {
        return $this->string('today')->value();
    }
}
