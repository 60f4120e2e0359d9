<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;

/**
 * A live session on simulated hardware: everything that was said to it, so that it can be had again to the last digit.
 *
 * @property string $id
 * @property string $document
 * @property string|null $begins scenario of the document that it begins with
 * @property list<string> $lines
 */
final class RigSession extends Model
{
    use HasUlids;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['lines' => 'array'];
    }
}
