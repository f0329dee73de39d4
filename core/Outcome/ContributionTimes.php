<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

use DuskRail\Document\InvalidStudy;
use DuskRail\Document\Parts\ContributionsPart;
use DuskRail\Time\PeriodRange;

/**
 * The two times between which a whole is compared, within what is shown. Like is compared with like: where seasons show
 * in the values, the first whole year with the last one; else the last period with the earliest of the same season. The
 * first time is when half of those that are there at the end have begun.
 */
final readonly class ContributionTimes
{
    /**
     * @param non-empty-list<int> $early positions of the first time
     * @param non-empty-list<int> $late positions of the second, as many
     */
    private function __construct(public array $early, public array $late, private Comparison $comparison) {}

    /**
     * @param bool $isOne whether both are the last time, for two entities
     *
     * @throws InvalidStudy where there are not two times
     */
    public static function of(Comparison $comparison, bool $isOne): self
    {
        $to = min($comparison->reference, $comparison->to);
        $from = $to < $comparison->from ? $comparison->from : self::first($comparison, $to);
        if ($to < $from || ($to === $from && !$isOne)) {
            throw InvalidStudy::because(
                'A change needs two periods with values; the time shown has fewer. Pull the ends of the track apart.',
            );
        }
        $ends = $comparison->study->part(ContributionsPart::class)->ends;
        $season = $ends === 'years' ? $comparison->seasonLeft() : 1;
        $count = $to - $from + 1;
        $isYear = $season > 1 && $count >= ($isOne ? 1 : 2) * $season;
        $late = $isYear ? range($to - $season + 1, $to) : [$to];
        $early = match (true) {
            $isOne => $late,
            $isYear => range($from, $from + $season - 1),
            $count > $season => [$to - intdiv($count - 1, $season) * $season],
            default => [$from],
        };

        return new self($early, $late, $comparison);
    }

    /** The first position shown at which at least half of the lines that are there at the end have a value. */
    private static function first(Comparison $comparison, int $to): int
    {
        $lines = array_filter($comparison->present(), static fn(Line $line): bool => !is_nan($line->values[$to]));
        for ($at = $comparison->from; $at < $to; $at++) {
            $there = array_filter($lines, static fn(Line $line): bool => !is_nan($line->values[$at]));
            if (2 * count($there) >= count($lines)) {
                return $at;
            }
        }

        return $to;
    }

    /** @return array{PeriodRange, PeriodRange} */
    public function ranges(): array
    {
        return [$this->range($this->early), $this->range($this->late)];
    }

    /** @param non-empty-list<int> $positions */
    private function range(array $positions): PeriodRange
    {
        $axis = $this->comparison->axis;

        return PeriodRange::between($axis->period(min($positions)), $axis->period(max($positions)));
    }
}
