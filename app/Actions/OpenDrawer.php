<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\DrawerDrive;
use App\Models\DrawerTable;
use Brookstone\Core\Drive\Drawer;
use Brookstone\Core\Drive\Drive;
use Brookstone\Core\Drive\Drives;
use Brookstone\Core\Drive\Stock;
use Illuminate\Database\Query\Builder;
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
        }, DrawerTable::lines(...), DrawerTable::boards(...));
    }

    /** Of all that it holds: the same as long as nothing is changed in it. */
    public function fingerprint(): string
    {
        return hash('sha256', json_encode([DrawerDrive::query()->toBase()->orderBy('id')->pluck('document'),
            DrawerTable::query()->toBase()->orderBy('name')->get()], JSON_THROW_ON_ERROR));
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
     * @param  string|null  $asOf  what its state was when it was looked at
     *
     * @throws Overtaken when it has changed since
     */
    public function put(iterable $drives, ?string $asOf = null): void
    {
        DB::transaction(function () use ($drives, $asOf): void {
            if ($asOf !== null && $asOf !== $this->state()) {
                throw new Overtaken('The drawer');
            }
            foreach ($drives as $drive) {
                $kept = DrawerDrive::query()->firstOrNew(['code' => $drive->body()->code]);
                $kept->fill(['document' => Drives::write($drive), 'version' => $kept->version + ($kept->exists ? 1 : 0)])->save();
            }
        }, self::TRIES);
    }

    /** Changes as anything in the drawer of drives does. */
    public function state(): string
    {
        return hash('xxh128', json_encode(DrawerDrive::query()->toBase()->orderBy('id')->get(['id', 'version']), JSON_THROW_ON_ERROR));
    }

    /**
     * @param  int  $version  the one that was on the screen
     *
     * @throws Overtaken when it has changed since
     */
    public function change(DrawerDrive $drive, int $version, Drive $to): DrawerDrive
    {
        $written = ['code' => $to->body()->code, 'document' => json_encode(Drives::write($to), JSON_THROW_ON_ERROR), 'version' => $version + 1,
            'updated_at' => now()];
        if ($this->asSeen($drive, $version)->update($written) !== 1) {
            throw new Overtaken('This drive');
        }

        return $drive->refresh();
    }

    /**
     * @param  int  $version  the one that was on the screen
     *
     * @throws Overtaken when it has changed since
     */
    public function takeOut(DrawerDrive $drive, int $version): void
    {
        if ($this->asSeen($drive, $version)->delete() !== 1) {
            throw new Overtaken('This drive');
        }
    }

    /** The version is part of the condition: it is written only if nobody else has in between. */
    private function asSeen(DrawerDrive $drive, int $version): Builder
    {
        return DrawerDrive::query()->whereKey($drive->id)->where('version', $version)->toBase();
    }
}
