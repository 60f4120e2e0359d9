<?php

declare(strict_types=1);

namespace Tests;

use Illuminate\Foundation\Testing\TestCase as BaseTestCase;
use Illuminate\Support\Facades\DB;

abstract class TestCase extends BaseTestCase
{
    /** @var array<string, list<array<string, mixed>>>|null rows by table, as seeding left them: the demos are judged once for all tests of a process */
    private static ?array $seeded = null;

    /** @param  list<string>|string  $class */
    public function seed($class = 'Database\\Seeders\\DatabaseSeeder')
    {
        if (self::$seeded === null) {
            parent::seed($class);
            foreach (['builds', 'build_revisions', 'pictures', 'drawer_drives', 'drawer_tables'] as $table) {
                self::$seeded[$table] = DB::table($table)->get()->map(fn (object $row): array => (array) $row)->all();
            }

            return $this;
        }
        foreach (self::$seeded as $table => $rows) {
            DB::table($table)->insert($rows);
        }

        return $this;
    }
}
