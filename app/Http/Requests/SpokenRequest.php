<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** Lines that a program said. */
final class SpokenRequest extends FormRequest
{
    use ReadsText;

    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['text' => self::textRule()];
    }
}
