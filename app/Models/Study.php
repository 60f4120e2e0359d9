<?php

declare(strict_types=1);

namespace App\Models;

use Brookstone\Core\Build\Build as CoreBuild;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * Long work over a build as it was when it was asked for. It goes on by itself, part by part, whoever looks.
 *
 * @property string $id
 * @property string $build_id
 * @property int $version
 * @property string $kind `faults`, `drift`, `states` or `proof`
 * @property array<string, mixed> $asked
 * @property string $document
 * @property string $state `queued`, `running`, `done`, `cancelled` or `failed`
 * @property int $parts how many there are
 * @property array<string, mixed> $frame what is known before any part is done
 * @property string|null $failure
 */
final class Study extends Model
{
    use HasUlids;

    protected $guarded = [];

    protected $attributes = ['state' => 'queued'];

    /** @return HasMany<StudyPart, $this> */
    public function done(): HasMany
    {
        return $this->hasMany(StudyPart::class);
    }

    /** @return BelongsTo<Build, $this> */
    public function build(): BelongsTo
    {
        return $this->belongsTo(Build::class);
    }

    public function core(): CoreBuild
    {
        return CoreBuild::fromJson($this->document);
    }

    public function isOver(): bool
    {
        return in_array($this->state, ['done', 'cancelled', 'failed'], true);
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['asked' => 'array', 'frame' => 'array', 'parts' => 'integer', 'version' => 'integer'];
    }
}
