<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;

/**
 * What the first page shows of a study or a data set, kept until what it was made of has changed.
 *
 * @property string $kind
 * @property int $of id of the study or data set
 * @property string $made_of
 * @property array<string, mixed> $content
 */
final class CacheEntry extends Record
{
    public $timestamps = false;

    protected $table = 'cache_entries';

    protected $guarded = [];

    protected $casts = ['content' => 'array'];

    /**
     * Keeps it where the database can be written to at once; a page that is only read waits for no writer.
     *
     * @param array<string, mixed> $content
     */
    public static function keep(string $kind, int $of, string $madeOf, array $content): void
    {
        $patience = config()->integer('database.connections.sqlite.busy_timeout');
        DB::statement('pragma busy_timeout = 20');
        try {
            self::updateOrCreate(['kind' => $kind, 'of' => $of], ['made_of' => $madeOf, 'content' => $content]);
        } catch (QueryException) {
            // It is made again the next time.
        } finally {
            DB::statement("pragma busy_timeout = {$patience}");
        }
    }
}
