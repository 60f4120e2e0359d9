<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Quantity\Units;
use Illuminate\Foundation\Http\FormRequest;

/** A text as somebody types it, and the unit of the field it is typed in. */
final class QuantityRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['text' => ['present', 'string', 'max:20000'], 'unit' => ['present', 'string']];
    }

    /** The framework takes a unit of spaces for none, which is one of ours. */
    protected function passedValidation(): void
    {
        if (! isset(Units::all()[$this->string('unit')->toString()])) {
            throw InvalidInput::at('unit', 'There is no such unit here. The units are listed at /api/units.');
        }
    }
}
