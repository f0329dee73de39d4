<?php

declare(strict_types=1);

namespace App\Data;

use ErrorException;
use PDOException;
use Symfony\Component\HttpKernel\Exception\HttpExceptionInterface;
use Throwable;

/** What a failure comes to for whoever meets it: a sentence with a way on, and never a path or a statement. */
final class FailureWords
{
    private const SENTENCES = [
        400 => 'The request is not valid. Go back and try again.',
        403 => 'Access from here is not allowed.',
        404 => 'There is no page at this address. It may have been deleted, or the address is incomplete.',
        405 => 'This address works only from a page of the program. Start at the first page.',
        413 => 'The file is too large for this server. Upload a smaller one, or several parts.',
        419 => 'This page has expired. Reload it; your study is saved. Then repeat the change.',
        421 =>
            'The program does not answer under this host name. The administrator can add it to ' . 'DUSK_RAIL_HOSTS.',
        422 => 'The data sent could not be read. Check them and send them again.',
        429 => 'Too many requests. Wait a minute, then continue.',
        500 => 'The program reported an error. Nothing was changed. Try again, or start at the first page.',
        503 => 'The program is being maintained. Try again in a minute.',
    ];

    private const BUSY = 'A large import is being stored. Your change was not saved. Try again in a moment.';

    private const FULL =
        'The disk of the server is full. Nothing was changed, and stored data can be read. The ' .
        'administrator can free space, for example with `php artisan data:cleanup`.';

    private const ONLY_READ =
        'The server is read-only at the moment. Nothing was changed; you can still view studies and ' . 'data.';

    /** What the database or the disk says, by a part of its words: status, sentence, seconds to the next try. */
    private const STORES = [
        'is locked' => [503, self::BUSY, 5],
        'disk is full' => [507, self::FULL, 60],
        'No space left on device' => [507, self::FULL, 60],
        'readonly database' => [503, self::ONLY_READ, 60],
        'Read-only file system' => [503, self::ONLY_READ, 60],
        'unable to open database' => [500, self::DAMAGED, 0],
        'no such table' => [500, self::DAMAGED, 0],
        'no such column' => [500, self::DAMAGED, 0],
        'has no column' => [500, self::DAMAGED, 0],
        'is malformed' => [500, self::DAMAGED, 0],
        'not a database' => [500, self::DAMAGED, 0],
        'disk I/O error' => [500, self::DAMAGED, 0],
    ];

    private const DAMAGED =
        'The database is missing, older than the program, or damaged. The administrator can check it ' .
        'with `php artisan data:check`, update it with `php artisan migrate`, or restore a backup ' .
        'with `php artisan data:restore`.';

    public static function sentence(Throwable $problem): string
    {
        return self::said($problem)[1];
    }

    /** @return array{int, string, int} status, sentence, and seconds until one may try again, or 0 */
    public static function said(Throwable $problem): array
    {
        for ($cause = $problem; $cause !== null; $cause = $cause->getPrevious()) {
            foreach (
                $cause instanceof PDOException || $cause instanceof ErrorException ? self::STORES : []
                as $words => $said
            ) {
                if (str_contains($cause->getMessage(), $words)) {
                    return $said;
                }
            }
        }
        $status = $problem instanceof HttpExceptionInterface ? $problem->getStatusCode() : 500;
        // Only what the program itself wrote is shown; a framework's own words may name classes and paths.
        $own =
            $problem instanceof HttpExceptionInterface &&
            str_contains($problem->getMessage(), ' ') &&
            preg_match('~\\\\|/|No query|route|method~', $problem->getMessage()) !== 1;

        return [
            $status,
            $own ? $problem->getMessage() : self::SENTENCES[$status] ?? self::SENTENCES[$status < 500 ? 400 : 500],
            $status === 503 ? 30 : 0,
        ];
    }
}
