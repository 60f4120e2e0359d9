<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Brookstone\Core\Parts\Output;
use Brookstone\Core\Parts\Sensor;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** What one would like to add to a build. */
final class OneMoreRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'list' => ['required', Rule::in(['sensors', 'outputs'])],
            'kind' => ['required', Rule::in($this->input('list') === 'outputs' ? Output::KINDS : [...Sensor::ON_OFF, ...Sensor::ANALOG])],
        ];
    }
}
