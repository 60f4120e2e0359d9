<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** With what a build is compared: another build, or an earlier state of itself. */
final class CompareRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['with' => ['required_without:revision', 'string', 'max:40'], 'revision' => ['integer', 'min:1']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['with' => 'Must be another build.', 'with.*' => 'Must be another build.', 'revision.*' => 'Must be the number of a state.'];
    }

    public function revision(): ?int
    {
        return $this->has('revision') ? $this->integer('revision') : null;
    }
}
