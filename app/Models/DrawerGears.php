<?php

declare(strict_types=1);

namespace App\Models;

use Brookstone\Core\Train\GearStock;
use Illuminate\Database\Eloquent\Model;

/**
 * The builder's drawer of gears, kept whole: one row. Without it, the gears that come with Brookstone.
 *
 * @property list<array<string, mixed>> $lines
 */
final class DrawerGears extends Model
{
    protected $guarded = [];

    public static function stock(): GearStock
    {
        $kept = self::query()->first();

        return $kept === null ? GearStock::shipped() : GearStock::read($kept->lines);
    }

    public static function keep(GearStock $stock): void
    {
        self::query()->updateOrCreate([], ['lines' => $stock->lines]);
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['lines' => 'array'];
    }
}
