<?php

declare(strict_types=1);

namespace App\Data;

use Illuminate\Database\SQLiteConnection;
use Illuminate\Support\Facades\DB;
use LogicException;
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

    public static function current(): self
    {
        $connection = DB::connection();

        return $connection instanceof self ? $connection : throw new LogicException('Another database is in use.');
    }

    /**
     * Many rows by one statement that is prepared once: a tenth of the time that building a statement for them takes.
     *
     * @param list<array<string, scalar|Blob|null>> $rows all with the same columns, each of one type
     */
    public function insertMany(string $table, array $rows): void
    {
        if ($rows === []) {
            return;
        }
        $columns = array_keys($rows[0]);
        $names = '"' . implode('", "', $columns) . '"';
        $marks = implode(', ', array_fill(0, count($columns), '?'));
        $this->run("insert into \"{$table}\" ({$names}) values ({$marks})", [], function (string $query) use (
            $rows,
        ): void {
            $statement = $this->getPdo()->prepare($query);
            // Bound once to variables that take the values of each row.
            $now = [];
            foreach (array_values($rows[0]) as $n => $value) {
                $now[$n] = null;
                $type = match (true) {
                    $value instanceof Blob => PDO::PARAM_LOB,
                    is_int($value), is_bool($value) => PDO::PARAM_INT,
                    default => PDO::PARAM_STR,
                };
                $statement->bindParam($n + 1, $now[$n], $type);
            }
            foreach ($rows as $row) {
                $n = 0;
                foreach ($row as $value) {
                    $now[$n++] = $value instanceof Blob ? (string) $value : $value;
                }
                $statement->execute();
            }
        });
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
