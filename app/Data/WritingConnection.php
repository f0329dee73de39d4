<?php

declare(strict_types=1);

namespace App\Data;

use Illuminate\Database\SQLiteConnection;
use PDO;

/**
 * A connection whose transactions take the write lock when they begin. What they read is then still true when they
 * write, and two of them wait for each other instead of failing half-way. Bytes are bound as bytes.
 */
final class WritingConnection extends SQLiteConnection
{
    /** @param array<array-key, mixed> $bindings */
    public function bindValues($statement, $bindings): void
    {
        foreach ($bindings as $key => $value) {
            if ($value instanceof Blob) {
                $statement->bindValue(is_string($key) ? $key : $key + 1, (string) $value, PDO::PARAM_LOB);
                unset($bindings[$key]);
            }
        }
        parent::bindValues($statement, $bindings);
    }

    protected function executeBeginTransactionStatement(): void
    {
        parent::executeBeginTransactionStatement();
        if (version_compare(PHP_VERSION, '8.4.0', '<')) {
            // PDO could not begin such a transaction before PHP 8.4; a write that changes nothing takes the lock too.
            $this->getPdo()->exec('update sqlite_sequence set seq = seq where 0');
        }
    }
}
