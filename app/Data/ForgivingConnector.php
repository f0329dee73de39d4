<?php

declare(strict_types=1);

namespace App\Data;

use Illuminate\Database\Connectors\SQLiteConnector;
use PDO;
use PDOException;

/**
 * Opens the database to be read alone where it cannot be opened to be written, as on a full disk or one that can only
 * be read: looking at things goes on, and a change is refused by the database itself.
 */
final class ForgivingConnector extends SQLiteConnector
{
    /** @param array<string, mixed> $config */
    public function connect(array $config): PDO
    {
        try {
            return parent::connect($config);
        } catch (PDOException $problem) {
            $path = $config['database'] ?? '';
            $isStuck = preg_match('/disk I\/O error|unable to open|is full|readonly/', $problem->getMessage()) === 1;
            // One that is being written keeps its latest changes beside it; those cannot be read then.
            if (!$isStuck || !is_string($path) || !is_file($path) || filesize($path) === 0) {
                throw $problem;
            }

            return $this->createConnection(
                "sqlite:file:{$path}?mode=ro&immutable=1",
                $config,
                $this->getOptions($config),
            );
        }
    }
}
