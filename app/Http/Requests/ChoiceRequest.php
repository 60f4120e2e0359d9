<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Brookstone\Core\Assessment\Selection\DriveRanking;
use Brookstone\Core\Assessment\Selection\Goal;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** How the ranked drives are wanted. */
final class ChoiceRequest extends FormRequest
{
    use LeavesOutEmpty;

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'goal' => ['sometimes', Rule::enum(Goal::class)],
            'each' => ['sometimes', Rule::in(['drive', 'ratio'])],
            'rows' => ['sometimes', 'integer', 'min:0', 'max:100000'],
        ];
    }

    public function goal(): Goal
    {
        return $this->enum('goal', Goal::class) ?? Goal::AsAsked;
    }

    public function eachDrive(): bool
    {
        return $this->input('each', 'drive') === 'drive';
    }

    public function rows(): int
    {
        return $this->has('rows') ? $this->integer('rows') : DriveRanking::ROWS;
    }
}
