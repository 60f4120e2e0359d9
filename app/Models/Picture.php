<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;

/**
 * A picture that sizes are read off. What was marked on it stands in the build's document.
 *
 * @property string $id
 * @property string $mime
 * @property string $bytes
 */
final class Picture extends Model
{
    use HasUlids;

    protected $guarded = [];
}
