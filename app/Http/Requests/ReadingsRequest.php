<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** Readings of a sensor as text. */
final class ReadingsRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['text' => ['present', 'nullable', 'string', 'max:100000']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['text.max' => 'This is too much: at most 100 000 characters are read.', 'text.string' => 'Must be a text.'];
    }

    public function text(): string
    {
        $body = JsonBody::of($this);

        return is_array($body) ? (string) ($body['text'] ?? '') : ''; // as it was sent: the framework would trim it
    }
}
