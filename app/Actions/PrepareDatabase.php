<?php

declare(strict_types=1);

namespace App\Actions;

use Illuminate\Contracts\Config\Repository;
use Illuminate\Database\DatabaseManager;
use Illuminate\Database\Migrations\Migrator;
use PDO;
use PDOException;
use Throwable;

/**
 * Makes the database ready before anything is served. Its form is changed on a copy, which then takes its place: ended at any moment, it leaves the
 * one that was there or the one that is finished. What cannot be read is kept aside, and nothing that was stored is thrown away.
 */
final class PrepareDatabase
{
    private const KEPT = 10; // copies, each from before its form was changed

    private const ON = 'prepared';

    /** Of SQLite: https://www.sqlite.org/rescode.html */
    private const FULL = 13;

    private const DAMAGED = [11, 26];

    private const READ_ONLY = 8;

    public function __construct(private readonly DatabaseManager $databases, private readonly Migrator $migrator, private readonly Repository $config)
    {
    }

    /**
     * @return list<string> what was done that its owner should know
     *
     * @throws CannotStart with the database as it was
     */
    public function at(string $path): array
    {
        $folder = dirname($path);
        if (! is_dir($folder) && ! @mkdir($folder, 0700, true)) {
            throw new CannotStart("The folder {$folder} cannot be made: make it, or let yourself write beside it, and start again.");
        }
        if (! is_writable($folder)) {
            throw new CannotStart("The folder {$folder} cannot be written to: let yourself write there and start again.");
        }
        if (is_dir($path)) {
            throw new CannotStart("{$path} is a folder, where the database must be: move it away and start again.");
        }
        $said = [];
        array_map(unlink(...), glob("{$path}.next*") ?: []); // what an earlier start did not finish
        try {
            $ran = $this->ran($path);
        } catch (PDOException $broken) {
            throw_unless(in_array(self::code($broken), self::DAMAGED, true), $this->refusal($path, $broken));
            $said[] = 'The database could not be read. It is kept as '.$this->setAside($path).', and a new one is begun.';
            $ran = [];
        }
        $files = $this->migrator->getMigrationFiles([database_path('migrations')]);
        if ($ran === null || array_diff($ran, array_keys($files)) !== []) {
            throw new CannotStart($ran === null
                ? "{$path} is the database of another program: move it away and start again."
                : "{$path} was written by a newer Brookstone, which this one cannot read: start the newer one, or move it away.");
        }
        if (array_diff(array_keys($files), $ran) === []) {
            @chmod($path, 0600);

            return $said;
        }
        try {
            return [...$said, ...$this->renew($path, $files, $ran)];
        } catch (PDOException $refused) {
            throw $this->refusal($path, $refused);
        } finally {
            $this->databases->purge(self::ON);
            array_map(unlink(...), glob("{$path}.next*") ?: []);
        }
    }

    /** @return list<string>|null the changes of its form that it has been through; null where it is no database of ours */
    private function ran(string $path): ?array
    {
        if (! is_file($path) || filesize($path) === 0) {
            return [];
        }
        $database = new PDO("sqlite:{$path}", options: [PDO::ATTR_ERRMODE => PDO::ERRMODE_EXCEPTION]);
        $tables = self::column($database, "SELECT name FROM sqlite_master WHERE type = 'table'");
        if (self::column($database, 'PRAGMA quick_check(1)') !== ['ok']) {
            throw self::damaged();
        }
        if ($tables === []) {
            return [];
        }
        $ran = in_array('migrations', $tables, true) ? self::column($database, 'SELECT migration FROM migrations ORDER BY id') : [];
        if (! in_array('builds', $tables, true) && $ran === [] && $tables !== ['migrations'] && $tables !== ['migrations', 'sqlite_sequence']) {
            return null;
        }
        $database->exec('BEGIN IMMEDIATE'); // whether it can be written
        $database->exec('ROLLBACK');

        return $ran;
    }

    /**
     * @param  array<string, string>  $files
     * @param  list<string>  $ran
     * @return list<string>
     */
    private function renew(string $path, array $files, array $ran): array
    {
        $next = "{$path}.next";
        $isNew = ! is_file($path) || filesize($path) === 0;
        if (! $isNew) {
            $this->keep($path);
            $this->copy($path, $next);
        }
        $said = [];
        try {
            $this->onto($next, $files);
        } catch (Throwable $half) { // an earlier change of its form was left half done: begun anew, and filled with what is there
            throw_if($isNew || in_array(self::code($half), [self::FULL, self::READ_ONLY], true), $half);
            $this->databases->purge(self::ON);
            array_map(unlink(...), glob("{$next}*") ?: []);
            $this->onto($next, array_intersect_key($files, array_flip($ran)));
            $this->fill($next, $path);
            $this->onto($next, $files);
            $this->fill($next, $path);
            $said[] = 'An earlier start was ended while it changed the form of the database: that was mended, and everything in it kept.';
        }
        $this->databases->purge(self::ON);
        chmod($next, 0600);
        rename($next, $path);
        array_map(unlink(...), glob("{$path}-{wal,shm}", GLOB_BRACE) ?: []); // of the one that was there; all of it is in the copy

        return $said;
    }

    /** @param  array<string, string>  $files */
    private function onto(string $database, array $files): void
    {
        if (! is_file($database)) {
            touch($database);
        }
        $this->config->set('database.connections.'.self::ON, ['database' => $database, 'journal_mode' => 'DELETE']
            + $this->config->get('database.connections.sqlite'));
        $this->migrator->usingConnection(self::ON, function () use ($files): void {
            if (! $this->migrator->repositoryExists()) {
                $this->migrator->getRepository()->createRepository();
            }
            $ran = $this->migrator->getRepository()->getRan();
            $this->migrator->requireFiles($files);
            $this->migrator->runPending(array_diff_key($files, array_flip($ran)));
        });
    }

    /** Everything of another database that has a place in this one, and is not there yet. */
    private function fill(string $database, string $from): void
    {
        $to = new PDO("sqlite:{$database}", options: [PDO::ATTR_ERRMODE => PDO::ERRMODE_EXCEPTION]);
        $to->exec('ATTACH '.$to->quote($from).' AS old');
        $tables = array_intersect(self::column($to, "SELECT name FROM main.sqlite_master WHERE type = 'table'"),
            self::column($to, "SELECT name FROM old.sqlite_master WHERE type = 'table'"));
        $to->exec('BEGIN');
        foreach (array_diff($tables, ['migrations', 'sqlite_sequence']) as $table) {
            $columns = array_intersect(self::column($to, "SELECT name FROM pragma_table_info('{$table}', 'main')"),
                self::column($to, "SELECT name FROM pragma_table_info('{$table}', 'old')"));
            $names = implode(', ', array_map(fn (string $column): string => "\"{$column}\"", $columns));
            $to->exec("INSERT OR IGNORE INTO main.\"{$table}\" ({$names}) SELECT {$names} FROM old.\"{$table}\"");
        }
        $to->exec('COMMIT');
    }

    private function copy(string $from, string $to): void
    {
        $database = new PDO("sqlite:{$from}", options: [PDO::ATTR_ERRMODE => PDO::ERRMODE_EXCEPTION]);
        $database->exec('VACUUM INTO '.$database->quote($to));
        chmod($to, 0600);
    }

    /** Where copies are kept. */
    public static function backups(string $path): string
    {
        return dirname($path).'/backups';
    }

    /** @return string the copy of it that is kept now; of those that there are the newest stay */
    public function keep(string $path): string
    {
        $folder = self::backups($path);
        is_dir($folder) || mkdir($folder, 0700);
        $kept = glob("{$folder}/*.sqlite") ?: [];
        sort($kept);
        array_map(unlink(...), array_slice($kept, 0, max(0, count($kept) - self::KEPT + 1)));

        $copy = $folder.'/'.self::stamped(basename($path, '.sqlite')).'.sqlite';
        $this->copy($path, $copy);

        return $copy;
    }

    /** @return string what it is called now */
    public function setAside(string $path): string
    {
        $aside = dirname($path).'/'.self::stamped(basename($path, '.sqlite').'-damaged').'.sqlite';
        foreach (['', '-wal', '-shm'] as $part) {
            is_file($path.$part) && rename($path.$part, $aside.$part);
        }

        return $aside;
    }

    private static function stamped(string $name): string
    {
        return "{$name}-".now()->format('Ymd-His-u');
    }

    private function refusal(string $path, Throwable $why): CannotStart
    {
        return new CannotStart(match (self::code($why)) {
            self::FULL => "The disk is full: make room for {$path} and start again. Nothing of what was stored is lost.",
            self::READ_ONLY => "{$path} cannot be written to: let yourself write it and start again.",
            default => "{$path} cannot be used ({$why->getMessage()}): see that it can be read and written, and start again.",
        });
    }

    private static function code(Throwable $why): int
    {
        for (; $why !== null; $why = $why->getPrevious()) {
            if ($why instanceof PDOException && isset($why->errorInfo[1])) {
                return (int) $why->errorInfo[1];
            }
        }

        return 0;
    }

    private static function damaged(): PDOException
    {
        $damaged = new PDOException('It is damaged.');
        $damaged->errorInfo = ['HY000', self::DAMAGED[0], 'It is damaged.'];

        return $damaged;
    }

    /** @return list<string> */
    private static function column(PDO $database, string $query): array
    {
        $rows = $database->query($query);

        return $rows === false ? [] : array_map(strval(...), array_values($rows->fetchAll(PDO::FETCH_COLUMN)));
    }
}
