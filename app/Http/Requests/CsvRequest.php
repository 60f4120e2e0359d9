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
        return ['csv' => ['required', 'string', 'max:1500000'], 'look' => ['sometimes', 'boolean'], 'version' => ['sometimes', 'integer', 'min:1'],
            'as_of' => ['sometimes', 'string', 'max:64']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['csv.required' => 'There is nothing in the file.', 'csv.max' => 'The file is too large: at most 1.5 MB are read.',
            'csv.string' => 'Must be a text.'];
    }

    public function csv(): string
    {
        $body = JsonBody::of($this);

        return is_array($body) ? (string) $body['csv'] : ''; // as it was sent: the framework would trim it
    }

    /** Which version of the drawer was on the screen, if that is said. */
    public function version(): ?int
    {
        return $this->has('version') ? $this->integer('version') : null;
    }

    /** What the drawer was when the table was looked at, if that is said. */
    public function asOf(): ?string
    {
        return $this->has('as_of') ? $this->string('as_of')->toString() : null;
    }

    public function onlyLooks(): bool
    {
        return $this->boolean('look');
    }
}
