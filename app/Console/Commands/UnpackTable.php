<?php

declare(strict_types=1);

namespace App\Console\Commands;

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

    public function handle(): int
    {
        try {
            $format = TableSources::of((string) $this->argument('file')) ?? Workbook::class;
            $book = $format::open((string) $this->argument('file'));
            $tables = $book->tables();
            $table = is_string($this->argument('table')) ? $this->argument('table') : $tables[0] ?? '';
            $book->write($table, (string) $this->argument('to'));
            $said = ['tables' => $tables, 'table' => $table];
        } catch (Refusal $problem) {
            $said = ['refused' => $problem->getMessage()];
        }
        $this->output->write((string) json_encode($said, JSON_INVALID_UTF8_SUBSTITUTE));

        return self::SUCCESS;
    }
}
