<?php

declare(strict_types=1);

namespace DuskRail\Reading;

use DuskRail\Data\Status;
use DuskRail\Time\PeriodReading;

/**
 * A period with a mark beside it that says how sure its values are, or a footnote: `2023p`, `2023 (provisional)`,
 * `Forecast 2024`, `2023*`, `2023 [1]` (marks of statistical offices and of accounts, from memory).
 */
final class MarkedPeriod
{
    /** Directly after a year; an `s` is of a decade. */
    private const LETTERS = 'p|prov\.?|prel\.?|r|e|est\.?|f|b|c|u|a';

    private const WORDS =
        'provisional|preliminary|prov\.?|prel\.?|estimated?|estimates|est\.?|forecasts?|projected|projections?|' .
        'revised|final|actuals?|outturn|unaudited|vorläufig|geschätzt|prognose|provisoire|estimé|provisorio|' .
        'provisionale|' .
        'estimado|previsión|voorlopig';

    private const NOTE = '[*†‡§#¹²³⁰⁴-⁹]+\)?|[\[(]\d{1,2}[\])]|\s\d{1,2}\)';

    /** A code of the same period in brackets, as `2018 [YR2018]` and `Jan 2018 (2018M01)`. */
    private const REPEATED =
        '/^(?<period>.*?(?<!\d)(?<year>[12]\d{3})(?!\d).*?)\s*[\[(]\p{L}{0,4}\k<year>(?:-?\p{L}?\d{1,3})?[\])]$/u';

    private const STATUS = [
        'prel' => Status::Provisional,
        'unaudited' => Status::Provisional,
        'vorläufig' => Status::Provisional,
        'provisoire' => Status::Provisional,
        'provisorio' => Status::Provisional,
        'provisionale' => Status::Provisional,
        'voorlopig' => Status::Provisional,
        'geschätzt' => Status::Estimated,
        'estimates' => Status::Estimated,
        'estimé' => Status::Estimated,
        'estimado' => Status::Estimated,
        'forecasts' => Status::Forecast,
        'projected' => Status::Forecast,
        'projection' => Status::Forecast,
        'projections' => Status::Forecast,
        'prognose' => Status::Forecast,
        'previsión' => Status::Forecast,
    ];

    private function __construct(public readonly string $period, public readonly Status $status) {}

    /** What is left of a text without marks; null where it has none. */
    public static function of(string $text): ?self
    {
        $period = trim($text);
        $status = Status::Measured;
        for ($marks = 0; $marks < 3; $marks++) {
            $isMarked =
                preg_match(self::REPEATED, $period, $m) === 1 ||
                preg_match('/^(?<period>.*\d.*?)\s*(?:' . self::NOTE . ')$/u', $period, $m) === 1 ||
                preg_match('/^(?<period>.*\d)(?<mark>' . self::LETTERS . ')$/iu', $period, $m) === 1 ||
                preg_match(
                    '/^(?<period>.*\d[^\s,]*)\s*[ ,–-]?\s*[(\[]?(?<mark>' .
                        self::WORDS .
                        '|(?<=[\s(\[])[a-z])[)\]]?$/iu',
                    $period,
                    $m,
                ) === 1 ||
                preg_match('/^(?<mark>' . self::WORDS . ')\s*[:,–-]?\s+(?<period>.*\d.*)$/iu', $period, $m) === 1;
            if (!$isMarked) {
                break;
            }
            $period = trim($m['period']);
            $said = self::statusOf($m['mark'] ?? '');
            $status = $said === Status::Measured ? $status : $said;
        }

        return $period === trim($text) ? null : new self($period, $status);
    }

    /** @return array{int|null, Status} the ordinal, null where it is no period, and what a mark says of its values */
    public static function read(PeriodReading $reading, string $text): array
    {
        $plain = $reading->read($text);
        $marked = $plain === null ? self::of($text) : null;

        return $marked === null
            ? [$plain, Status::Measured]
            : [$reading->read($marked->period), $marked->status];
    }

    private static function statusOf(string $mark): Status
    {
        $mark = rtrim(mb_strtolower($mark), '.');

        return self::STATUS[$mark] ?? Status::fromMark($mark);
    }
}
