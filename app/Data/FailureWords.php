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
        400 => 'The request could not be understood. Go back, and try it from the page again.',
        403 => 'This is not open to you from here.',
        404 => 'There is nothing at this address. It may have been deleted, or the address is not whole.',
        405 => 'This address does something only where a page asks for it. Begin at the data page.',
        413 => 'The file is larger than this server takes. Bring a smaller one, or one part after the other.',
        419 => 'The page has been open too long. Load it again; what was kept is safe. Then make the change once more.',
        421 => 'The program does not answer under this name. Whoever runs it can name it in DUSK_RAIL_HOSTS.',
        422 => 'What was sent could not be read. Check it, and send it again.',
        429 => 'That was too much at once. Wait a minute, then go on.',
        500 => 'The program made a mistake. Nothing was changed; try it again, or begin at the data page.',
        503 => 'The program is being looked after. Try again in a minute.',
    ];

    private const BUSY = 'Something large is being written just now. Your change was not kept; try again in a moment.';

    private const FULL =
        'The disk of the server is full. Nothing was changed, and what is there can be read. Whoever runs the server ' .
        'can make room; `php artisan data:tidy` helps.';

    private const ONLY_READ = 'The server can only read just now. Nothing was changed; looking at things goes on.';

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
        'The database is missing, older than the program, or damaged. Whoever runs the server can look with ' .
        '`php artisan data:check`, bring it up to date with `php artisan migrate`, or bring a backup back with ' .
        '`php artisan data:restore`.';

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
