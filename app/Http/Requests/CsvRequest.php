<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** A table as text, and whether it shall only be looked at. */
final class CsvRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['csv' => ['required', 'string', 'max:1500000'], 'look' => ['sometimes', 'boolean']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['csv.required' => 'There is nothing in the file.', 'csv.max' => 'The file is too large: at most 1.5 MB are read.', 'csv.string' => 'Must be a text.'];
    }

    public function csv(): string
    {
        $body = JsonBody::of($this);

        return is_array($body) ? (string) $body['csv'] : ''; // as it was sent: the framework would trim it
    }

    public function onlyLooks(): bool
    {
        return $this->boolean('look');
    }
}
