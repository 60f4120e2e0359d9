<?php

declare(strict_types=1);

namespace App\Actions;

use PDOException;

/** Puts back a copy that was kept before the form of the database was changed, or before another was put back. What was there is kept as another copy. */
final class RestoreDatabase
{
    public function __construct(private readonly PrepareDatabase $prepare)
    {
    }

    /** @return list<string> names of the copies, the newest first */
    public function copies(string $path): array
    {
        $copies = array_map(basename(...), glob(PrepareDatabase::backups($path).'/*.sqlite') ?: []);
        rsort($copies);

        return $copies;
    }

    /**
     * @return list<string> what was done
     *
     * @throws CannotStart with the database as it was
     */
    public function put(string $path, string $copy): array
    {
        if (! in_array($copy, $this->copies($path), true)) {
            throw new CannotStart("There is no copy {$copy} in ".PrepareDatabase::backups($path).'.');
        }
        $running = @fopen(dirname($path).'/.running', 'r');
        if ($running !== false && ! flock($running, LOCK_EX | LOCK_NB)) {
            throw new CannotStart('Brookstone runs: end it first, and put the copy back then.');
        }
        $next = "{$path}.back";
        if (! @copy(PrepareDatabase::backups($path)."/{$copy}", $next)) {
            throw new CannotStart('The copy cannot be put back: the disk is full, or the folder cannot be written to. Nothing was changed.');
        }
        chmod($next, 0600);
        $said = is_file($path) ? ["What was there is kept as {$this->kept($path)}."] : [];
        rename($next, $path);
        foreach (['-wal', '-shm'] as $part) {
            is_file($path.$part) && unlink($path.$part);
        }

        return [...$said, "The copy {$copy} is back."];
    }

    /** @return string where what was there is now: as another copy, or where it cannot be read, aside as it is */
    private function kept(string $path): string
    {
        try {
            return $this->prepare->keep($path);
        } catch (PDOException) {
            return $this->prepare->setAside($path);
        }
    }
}
