<?php

declare(strict_types=1);

namespace App\Http;

use App\Models\Study;
use App\Models\StudyRevision;
use Illuminate\Http\Request;

/** The revision that a page shows, which it sends along with every edit. */
final class SeenRevision
{
    public const HEADER = 'X-Revision';

    /** Null where the page says none, or none of this study. */
    public static function of(Request $request, Study $study): ?StudyRevision
    {
        $number = $request->header(self::HEADER);

        return is_string($number) && ctype_digit($number)
            ? StudyRevision::where('study_id', $study->id)->find((int) substr($number, 0, 18))
            : null;
    }

    /** What others did since, as a sentence; nothing where the page shows what is in force. */
    public static function concurrentChanges(?StudyRevision $seen, Study $study): string
    {
        if ($seen === null || $seen->id === $study->revision_id) {
            return '';
        }
        $done = StudyRevision::between($seen->id, $study->revision_id) ?? [];
        $more = count($done) > 3 ? ' and ' . (count($done) - 3) . ' more' : '';
        $named = implode(', ', array_map(static fn(string $d): string => "“{$d}”", array_slice($done, 0, 3)));

        return $done === []
            ? 'another window restored an earlier state.'
            : "another window made this change in the meantime: {$named}{$more}.";
    }
}
