<?php

declare(strict_types=1);

namespace App\Models;

use App\Actions\Overtaken;
use Brookstone\Core\Drawer\PartStock;
use Brookstone\Core\Drawer\PartTable;
use Brookstone\Core\Train\GearStock;
use Brookstone\Core\Winding\LineStock;
use Brookstone\Core\Wiring\BoardStock;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Facades\DB;

/**
 * A drawer of the builder that is kept whole: gears; cords, belts and rods; boards; what feeds, tells and leads. Without a row, what comes with Brookstone.
 *
 * @property string $name
 * @property list<array<string, mixed>> $lines
 * @property int $version
 */
final class DrawerTable extends Model
{
    protected $guarded = [];

    /** The drawers that are one table each. */
    public const TABLES = ['gears', 'lines', 'boards', 'supplies', 'sensors', 'leads'];

    public static function gears(): GearStock
    {
        $kept = self::kept('gears');

        return $kept === null ? GearStock::shipped() : GearStock::read($kept->lines);
    }

    public static function lines(): LineStock
    {
        $kept = self::kept('lines');

        return $kept === null ? LineStock::shipped() : LineStock::read($kept->lines);
    }

    public static function boards(): BoardStock
    {
        $kept = self::kept('boards');

        return $kept === null ? BoardStock::shipped() : BoardStock::read($kept->lines);
    }

    public static function parts(PartTable $table): PartStock
    {
        $kept = self::kept($table->value);

        return $kept === null ? PartStock::shipped($table) : PartStock::read($table, $kept->lines);
    }

    /** What comes with Brookstone is the first. */
    public static function versionOf(string $name): int
    {
        return self::kept($name)->version ?? 1;
    }

    /**
     * @param  list<array<string, mixed>>  $lines
     * @param  int  $version  the one that was on the screen
     *
     * @throws Overtaken when it has changed since
     */
    public static function keep(string $name, array $lines, int $version): void
    {
        DB::transaction(function () use ($name, $lines, $version): void {
            if (self::versionOf($name) !== $version) {
                throw new Overtaken('This drawer');
            }
            self::query()->updateOrCreate(['name' => $name], ['lines' => $lines, 'version' => $version + 1]);
        });
    }

    private static function kept(string $name): ?self
    {
        return self::query()->where('name', $name)->first();
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['lines' => 'array', 'version' => 'integer'];
    }
}
