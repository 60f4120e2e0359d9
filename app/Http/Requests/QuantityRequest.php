<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Brookstone\Core\Quantity\Units;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** A text as somebody types it, and the unit of the field it is typed in. */
final class QuantityRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['text' => ['present', 'string', 'max:20000'], 'unit' => ['present', 'string', Rule::in(array_keys(Units::all()))]];
    }
}
