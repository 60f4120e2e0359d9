<?php

declare(strict_types=1);

namespace App\Models;

use Brookstone\Core\Build\Build as CoreBuild;
use Database\Factories\BuildFactory;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Factories\HasFactory;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;

/**
 * A stored build: its document as a file would have it, and a summary for the shelf.
 *
 * @property string $id
 * @property ?string $demo_key
 * @property string $name
 * @property string $document
 * @property array<string, mixed> $summary
 * @property int $version
 * @property int $cursor
 * @property Carbon $updated_at
 */
final class Build extends Model
{
    /** @use HasFactory<BuildFactory> */
    use HasFactory;

    use HasUlids;

    protected $guarded = [];

    protected $attributes = ['demo_key' => null, 'version' => 1, 'cursor' => 1];

    /** @return HasMany<BuildRevision, $this> */
    public function revisions(): HasMany
    {
        return $this->hasMany(BuildRevision::class);
    }

    public function core(): CoreBuild
    {
        return CoreBuild::fromJson($this->document);
    }

    /** Nobody has changed it, or thrown it away, since it was read. */
    public function isStillSo(): bool
    {
        return self::query()->whereKey($this->id)->value('version') === $this->version;
    }

    public function canUndo(): bool
    {
        return $this->revisions()->where('number', '<', $this->cursor)->exists();
    }

    public function canRedo(): bool
    {
        return $this->revisions()->where('number', '>', $this->cursor)->exists();
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['summary' => 'array', 'version' => 'integer', 'cursor' => 'integer'];
    }
}
