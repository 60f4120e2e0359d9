<?php

declare(strict_types=1);

namespace App\Models;

use Brookstone\Core\Drive\Drive;
use Brookstone\Core\Drive\Drives;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;

/**
 * A drive in the builder's drawer, as build files have it.
 *
 * @property int $id
 * @property string $code
 * @property array<string, mixed> $document
 * @property int $version
 */
final class DrawerDrive extends Model
{
    protected $guarded = [];

    protected $attributes = ['version' => 1];

    /** @return Collection<int, self> as they were put in */
    public static function inOrder(): Collection
    {
        return self::all()->sortBy('id')->values();
    }

    public function core(): Drive
    {
        return Drives::make($this->document);
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['document' => 'array', 'version' => 'integer'];
    }
}
