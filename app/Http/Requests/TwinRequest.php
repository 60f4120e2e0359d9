<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** How a motion is wanted once more. */
final class TwinRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['name' => ['nullable', 'string', 'max:80'], 'mirrored' => ['boolean'], 'together' => ['boolean']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['name.max' => 'Must be at most 80 characters long.', 'name.string' => 'Must be a text.', 'mirrored.boolean' => 'Must be true or false.',
            'together.boolean' => 'Must be true or false.'];
    }

    /** null: one is found for it */
    public function name(): ?string
    {
        return $this->has('name') ? (string) $this->input('name') : null;
    }
}
