<?php

declare(strict_types=1);

namespace App\Database;

use Illuminate\Database\Connectors\SQLiteConnector as LaravelConnector;

/** Connects to SQLite by a PDO whose transactions take their turn at once; the framework's own setting for that needs a newer PHP. */
final class SqliteConnector extends LaravelConnector
{
    /** @param  array<int, mixed>  $options */
    protected function createPdoConnection($dsn, $username, #[\SensitiveParameter] $password, $options): ImmediatePdo
    {
        return new ImmediatePdo($dsn, $username, $password, $options);
    }
}
