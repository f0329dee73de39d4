<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Formats\AllTables;
use App\Formats\TableSource;
use App\Formats\TableSources;
use App\Formats\Workbook;
use DuskRail\Refusal;
use Illuminate\Console\Command;

/** What Unpacker runs in a process of its own. */
final class UnpackTable extends Command
{
    protected $signature = 'table:unpack {file} {to} {table?}';

    protected $description = 'Write a table of a packed file as text (used by the program itself)';

    protected $hidden = true;

    private ?AllTables $read = null;

    public function handle(): int
    {
        try {
            $format = TableSources::of((string) $this->argument('file')) ?? Workbook::class;
            $book = $format::open((string) $this->argument('file'));
            $tables = $book->tables();
            $table = is_string($this->argument('table')) ? $this->argument('table') : $this->likeliest($book);
            $to = (string) $this->argument('to');
            $table === AllTables::NAME ? $this->all($book)->write($to) : $book->write($table, $to);
            $said = ['tables' => count($tables) > 1 ? [...$tables, AllTables::NAME] : $tables, 'table' => $table];
        } catch (Refusal $problem) {
            $said = ['refused' => $problem->getMessage()];
        }
        $this->output->write((string) json_encode($said, JSON_INVALID_UTF8_SUBSTITUTE));

        return self::SUCCESS;
    }

    /** All tables where they are of one kind, else the one that holds the most. */
    private function likeliest(TableSource $book): string
    {
        $tables = $book->tables();
        $isMany = count($tables) > 1 && AllTables::isSmall((string) $this->argument('file'));
        try {
            return $isMany && $this->all($book)->isUniform() ? AllTables::NAME : $tables[0] ?? '';
        } catch (Refusal) {
            return $tables[0] ?? '';
        }
    }

    private function all(TableSource $book): AllTables
    {
        $scratch = (string) $this->argument('to') . '.part';
        try {
            return $this->read ??= AllTables::of($book, $scratch);
        } finally {
            if (is_file($scratch)) {
                unlink($scratch);
            }
        }
    }
}
