<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Brookstone\Core\Assessment\Train\TrainMaking;
use Brookstone\Core\Train\Search;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** What train is wanted. */
final class TrainRequest extends FormRequest
{
    use LeavesOutEmpty;

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'ratio' => ['required_without:rpm', 'numeric', 'gt:0', 'max:1000000'],
            'rpm' => ['sometimes', 'numeric', 'gt:0', 'max:1000000'],
            'torque_Nm' => ['required_with:rpm', 'numeric', 'min:0', 'max:1000000'],
            'stages' => ['sometimes', 'integer', 'min:1', 'max:'.Search::MOST_STAGES],
            'module_mm' => ['sometimes', 'nullable', 'numeric', 'gt:0', 'max:20'],
            'direction' => ['sometimes', Rule::in(['any', 'same', 'reversed'])],
            'order' => ['sometimes', Rule::in(TrainMaking::ORDERS)],
            'limit' => ['sometimes', 'integer', 'min:1', 'max:60'],
            'worm_wheel' => ['sometimes', 'nullable', 'integer', 'min:6', 'max:400'],
            'belt_driver' => ['required_with:belt_driven', 'nullable', 'integer', 'min:6', 'max:400'],
            'belt_driven' => ['required_with:belt_driver', 'nullable', 'integer', 'min:6', 'max:400'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['ratio.required_without' => 'Say which ratio is wanted, or which speed and torque at the load.', 'rpm.gt' => 'Must be more than 0.',
            'rpm.numeric' => 'Must be a number.', 'torque_Nm.numeric' => 'Must be a number.', 'torque_Nm.required_with' => 'Say the torque at the load too.',
            'torque_Nm.min' => 'Must be 0 or more.', 'ratio.gt' => 'Must be more than 0.', 'ratio.numeric' => 'Must be a number.',
            'stages.max' => 'At most '.Search::MOST_STAGES.' stages are tried.', 'stages.min' => 'One stage at least.'];
    }
}
