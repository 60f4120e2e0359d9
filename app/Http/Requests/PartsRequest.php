<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** How parts are to be cut. */
final class PartsRequest extends FormRequest
{
    use LeavesOutEmpty;

    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return [
            'kerf_mm' => ['sometimes', 'numeric', 'min:0', 'max:2'],
            'flat_mm' => ['sometimes', 'numeric', 'min:0', 'max:20'],
            'key_mm' => ['sometimes', 'numeric', 'min:0', 'max:20'],
            'hole_mm' => ['sometimes', 'numeric', 'gt:0', 'max:20'],
            'width_mm' => ['sometimes', 'numeric', 'gt:0', 'max:100'],
            'bore_mm' => ['sometimes', 'numeric', 'gt:0', 'max:100'],
        ];
    }
}
