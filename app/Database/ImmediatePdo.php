<?php

declare(strict_types=1);

namespace App\Database;

use PDO;
use PDOException;

/**
 * SQLite that takes its turn to write when a transaction begins. One that begins by reading, and writes later, is refused at once where
 * another has written in between, whatever its timeout: two workers that fetch work at the same moment do just that.
 */
final class ImmediatePdo extends PDO
{
    private bool $isOpen = false;

    public function beginTransaction(): bool
    {
        $this->exec('BEGIN IMMEDIATE TRANSACTION');

        return $this->isOpen = true;
    }

    public function commit(): bool
    {
        $this->exec('COMMIT');
        $this->isOpen = false;

        return true;
    }

    public function rollBack(): bool
    {
        $this->isOpen = false;
        try {
            $this->exec('ROLLBACK');
        } catch (PDOException $none) { // on a full disk SQLite has taken it back already, and what went wrong is to be told, not this
            if (! str_contains($none->getMessage(), 'no transaction is active')) {
                throw $none;
            }
        }

        return true;
    }

    public function inTransaction(): bool
    {
        return $this->isOpen;
    }
}
