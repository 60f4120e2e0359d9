<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\DrawerDrive;
use App\Models\DrawerTable;
use Brookstone\Core\Drive\Drawer;
use Brookstone\Core\Drive\Drive;
use Brookstone\Core\Drive\Drives;
use Brookstone\Core\Drive\Stock;
use Illuminate\Support\Facades\DB;

/** The builder's drawer of drives. An empty one is filled with the drives that come with Brookstone. */
final class OpenDrawer
{
    private const TRIES = 20; // if another writes at the same time

    /** Read only when somebody looks into it: most builds need no other drive. */
    public function stock(): Stock
    {
        return Stock::opened(function (): iterable {
            $documents = DrawerDrive::query()->toBase()->orderBy('id')->pluck('document');

            return $documents->isEmpty() ? Drawer::all() : $documents->map(fn (mixed $document): Drive => Drives::make(json_decode((string) $document, true)));
        }, DrawerTable::lines(...));
    }

    /** Of all that it holds: the same as long as nothing is changed in it. */
    public function fingerprint(): string
    {
        return hash('sha256', json_encode([DrawerDrive::query()->toBase()->orderBy('id')->pluck('document'), DrawerTable::query()->toBase()->orderBy('name')->get()], JSON_THROW_ON_ERROR));
    }

    public function fillIfEmpty(): void
    {
        if (! DrawerDrive::query()->exists()) {
            $this->put(Drawer::all());
        }
    }

    /**
     * Puts drives into the drawer; one of the same code is replaced.
     *
     * @param  iterable<Drive>  $drives
     */
    public function put(iterable $drives): void
    {
        DB::transaction(function () use ($drives): void {
            foreach ($drives as $drive) {
                DrawerDrive::query()->updateOrCreate(['code' => $drive->body()->code], ['document' => Drives::write($drive)]);
            }
        }, self::TRIES);
    }
}
