<?php

declare(strict_types=1);

namespace App\Models;

use Brookstone\Core\Train\GearStock;
use Brookstone\Core\Winding\LineStock;
use Illuminate\Database\Eloquent\Model;

/**
 * A drawer of the builder that is kept whole: gears; cords, belts and rods. Without a row, what comes with Brookstone.
 *
 * @property string $name
 * @property list<array<string, mixed>> $lines
 */
final class DrawerTable extends Model
{
    protected $guarded = [];

    public static function gears(): GearStock
    {
        $kept = self::query()->where('name', 'gears')->first();

        return $kept === null ? GearStock::shipped() : GearStock::read($kept->lines);
    }

    public static function lines(): LineStock
    {
        $kept = self::query()->where('name', 'lines')->first();

        return $kept === null ? LineStock::shipped() : LineStock::read($kept->lines);
    }

    /** @param  list<array<string, mixed>>  $lines */
    public static function keep(string $name, array $lines): void
    {
        self::query()->updateOrCreate(['name' => $name], ['lines' => $lines]);
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['lines' => 'array'];
    }
}
