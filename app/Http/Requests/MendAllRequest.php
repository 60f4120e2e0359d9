<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** What is not wanted of the mends that would make a build hold. */
final class MendAllRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['dropped' => ['present', 'list', 'max:200'], 'dropped.*' => ['string', 'max:64']];
    }

    /** @return list<string> */
    public function dropped(): array
    {
        return array_values(array_map(strval(...), (array) $this->validated('dropped')));
    }
}
