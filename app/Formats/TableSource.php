<?php

declare(strict_types=1);

namespace App\Formats;

use DuskRail\Reading\NotATable;

/**
 * A file that holds tables but is no delimited text. One of its tables is written out as comma-separated text, row by
 * row as it is, so that all that is known of text files holds for it.
 *
 * To add one: write a class, and name it in TableSources.
 */
interface TableSource
{
    /**
     * What its files are called, in texts that list what can be brought.
     *
     * @return non-empty-list<string>
     */
    public static function names(): array;

    /** @return non-empty-list<string> of names of its files, without the dot */
    public static function endings(): array;

    /**
     * Whether a file is of this format, by what is in it. No two formats may claim the same file, so that their order
     * says nothing.
     */
    public static function isOne(string $path): bool;

    /** @throws NotATable that says why it cannot be read, and what to do instead */
    public static function open(string $path): self;

    /** @return list<string> names of its tables, the likeliest first */
    public function tables(): array;

    /** @throws NotATable when it is not there, or holds too much */
    public function write(string $table, string $path): void;
}
