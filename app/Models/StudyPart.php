<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * A part of a study that is done.
 *
 * @property int $part
 * @property list<mixed> $result
 */
final class StudyPart extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['result' => 'array', 'part' => 'integer'];
    }
}
