<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * A build as it was after an edit, for undo and redo.
 *
 * @property int $number
 * @property string $edit_key
 * @property string $document
 * @property Carbon $updated_at
 */
final class BuildRevision extends Model
{
    protected $guarded = [];
}
