<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

use DuskRail\Data\Unit;
use DuskRail\Data\ValueType;
use DuskRail\Document\InvalidStudy;
use DuskRail\Document\Parts\BeforeAfterPart;
use DuskRail\Document\Parts\LinesPart;
use DuskRail\Statistics\DifferenceInDifferences;
use DuskRail\Statistics\EventPanel;
use DuskRail\Statistics\EventSpans;
use DuskRail\Time\Frequency;
use DuskRail\Time\Period;

/**
 * What changed about an event where it was, beside what changed elsewhere over the same spans. What is compared are the
 * values without rolling windows, since these mix what was before with what was after.
 */
final readonly class BeforeAfter
{
    /** Weeks that are a year in spans of days, so that both have the same days of the week. */
    private const YEAR_OF_DAYS = 364;

    /** From this share of the difference on, what went on from before is worth a warning. */
    private const DRIFT = 0.1;

    /** How much of the changes is written: the difference has two significant digits at least. */
    public Precision $precision;

    /**
     * @param list<MemberChange> $with those with the event that have values over both spans, in the order of the data
     * @param list<MemberChange> $without likewise
     * @param array<string, string> $leftOut why somebody is in neither, by name
     */
    private function __construct(
        public Comparison $comparison,
        public EventMembers $members,
        public EventPanel $panel,
        public EventSpans $spans,
        public DifferenceInDifferences $result,
        public array $with,
        public array $without,
        public array $leftOut,
    ) {
        $largest = max(abs($result->effect()), abs($result->with), abs($result->without));
        $own = $comparison->precision;
        $largest /= $panel->isRelative ? 1.0 : 10.0 ** $own->power;
        $telling = $largest > 0.0 && is_finite($largest) ? 1 - (int) floor(log10($largest)) : 0;
        $this->precision = $panel->isRelative
            ? new Precision(max(1, min(4, $telling)))
            : new Precision(max($own->decimals, min(8, $telling)), PHP_INT_MAX, $own->power);
    }

    /** @throws InvalidStudy where before and after cannot be compared; the sentence says what to do */
    public static function of(Comparison $comparison): self
    {
        self::refuse($comparison);
        $members = EventMembers::of($comparison);
        $part = $comparison->study->part(BeforeAfterPart::class);
        $isRelative = self::isRelative($comparison, $part);
        $values = static fn(Line $line): array => self::valuesOf($comparison, $line, $isRelative);
        $panel = new EventPanel(
            array_map($values, $members->with),
            self::events($comparison, $members),
            array_map($values, $members->without),
            self::season($comparison),
            self::skip($comparison, $members, $part),
            $isRelative,
        );
        $spans = self::spans($comparison, $panel, $part);
        $result = $panel->difference($spans) ?? throw self::withoutValues($comparison, $spans);
        $changes = [];
        foreach ($panel->cohorts($spans) as $cohort) {
            foreach ($cohort->with + $cohort->without as $key => $change) {
                $changes[$key][] = $change;
            }
        }
        $leftOut = [];
        foreach ($members->with + $members->without as $key => $line) {
            if (!isset($changes[$key])) {
                $leftOut[$line->name] = self::lack($panel, $spans, $key);
            }
        }

        return new self(
            $comparison,
            $members,
            $panel,
            $spans,
            $result,
            self::changes($members->with, $members, $panel, $spans, $changes),
            self::changes($members->without, $members, $panel, $spans, $changes),
            $leftOut,
        );
    }

    /** Whether the event was at one time for all. */
    public function isCommon(): bool
    {
        return count($this->panel->times()) === 1;
    }

    /**
     * How much of the difference both sides would have come to by going on as before; zero where their courses were
     * parallel within chance, or too little is before the event to tell.
     */
    public function drift(): float
    {
        $before = $this->panel->courseBefore($this->spans);

        // From the middle of the one span to that of the other.
        return $before === null || !$before->isBeyondChance()
            ? 0.0
            : $before->effect() * ($this->spans->length + $this->spans->skip);
    }

    /** Whether that is enough of the difference to mislead. */
    public function isDrifting(): bool
    {
        $drift = $this->drift();

        return $drift !== 0.0 && abs($drift) >= self::DRIFT * abs($this->result->effect());
    }

    /** What changes are in: `%`, the unit of the values, or points where these are percentages. */
    public function unit(): Unit
    {
        return $this->panel->isRelative
            ? Unit::of(ValueType::Percent, '%')
            : $this->comparison->run->table()->unit->difference();
    }

    /** The colour of those with the event: that of the line where there is one. */
    public function hue(): int
    {
        return count($this->with) === 1 ? max(1, $this->with[0]->line->hue) : 1;
    }

    /** @throws InvalidStudy */
    private static function refuse(Comparison $comparison): void
    {
        $table = $comparison->run->table();
        $reason = match (true) {
            $comparison->study->part(LinesPart::class)->across === 'measures'
                => 'Several measures are no members with and without an event. Set “Lines” to entities.',
            $comparison->axis->frequency === Frequency::Number
                => 'The axis has no dates, so there is no before and after. Choose another view.',
            $table->nature->isRelative()
                => "The rail ends in {$table->nature->plural()}: one line gains what another loses, so those without " .
                    'the event would not show what happens without it. Turn off the last stop of the rail.',
            $comparison->isSmoothed() && $comparison->courses->window() === null
                => 'The values of the rail overlap, so what was before is mixed with what was after. Turn off the ' .
                    'rolling window or running total, or use a trailing mean or sum at the end of the rail.',
            default => '',
        };
        if ($reason !== '') {
            throw InvalidStudy::because($reason);
        }
    }

    /** @throws InvalidStudy */
    private static function isRelative(Comparison $comparison, BeforeAfterPart $part): bool
    {
        $allows = $comparison->run->table()->allowsPercent();
        if ($part->change === 'percent' && !$allows) {
            throw InvalidStudy::because(
                'A change in per cent means nothing here, since the rail ends in ' .
                    "{$comparison->run->table()->nature->plural()}. Set “change in” to a difference.",
            );
        }

        return $part->change === 'percent' || ($part->change === 'automatic' && $allows && $comparison->lowest() > 0.0);
    }

    /**
     * @return list<float> from the first period shown, without rolling windows; of sums as large as a window
     */
    private static function valuesOf(Comparison $comparison, Line $line, bool $isRelative): array
    {
        $values = $comparison->courses->plain($line);
        [$size, $each] = $comparison->courses->window() ?? [1, 1.0];
        $times = $isRelative || $comparison->indexed() !== null ? 1.0 : $size * $each;

        return $times === 1.0 ? $values : array_map(static fn(float $v): float => $v * $times, $values);
    }

    /** Values in a year; of days so many that they have the same days of the week. */
    private static function season(Comparison $comparison): int
    {
        return $comparison->axis->frequency === Frequency::Day ? self::YEAR_OF_DAYS : $comparison->season();
    }

    /**
     * @return array<array-key, int> position of the event by member, from the first period shown
     *
     * @throws InvalidStudy where it is not within the values
     */
    private static function events(Comparison $comparison, EventMembers $members): array
    {
        $first = $comparison->axis->first + $comparison->from;
        $events = [];
        foreach ($members->dates as $key => $date) {
            $period = Period::holding($comparison->axis->frequency, $date->firstDay());
            $events[$key] = $period->ordinal - $first;
        }
        $last = $comparison->reference - $comparison->from;
        $inside = array_filter($events, static fn(int $at): bool => $at > 0 && $at <= $last);
        if ($inside === []) {
            $date = array_values($members->dates)[0]->label();
            $where = array_values($events)[0] <= 0 ? 'before the second' : 'after the last';
            $range = $comparison->axis->period($comparison->from)->label() .
                " to {$comparison->axis->period($comparison->reference)->label()}";
            throw InvalidStudy::because(
                count($events) === 1 || count(array_unique($events)) === 1
                    ? "The event ({$date}) is {$where} period with values; these are of {$range}. Enter another " .
                        'date, or pull the ends of the track.'
                    : "No date of the event is between the values shown ({$range}). Enter other dates, or pull the " .
                        'ends of the track.',
            );
        }

        return $events;
    }

    /** Periods from the event on that are neither before nor after: those it is only a part of, and a transition. */
    private static function skip(Comparison $comparison, EventMembers $members, BeforeAfterPart $part): int
    {
        $skip = 0;
        foreach ($part->start === 'automatic' ? $members->dates : [] as $date) {
            $frequency = $comparison->axis->frequency;
            $first = Period::holding($frequency, $date->firstDay());
            $last = Period::holding($frequency, $date->lastDay());
            $isWhole = $date->firstDay() === $first->firstDay() && $first->ordinal === $last->ordinal;
            $skip = max($skip, $isWhole ? 0 : $last->ordinal - $first->ordinal + 1);
        }

        return $skip + $part->transition;
    }

    /** @throws InvalidStudy */
    private static function spans(Comparison $comparison, EventPanel $panel, BeforeAfterPart $part): EventSpans
    {
        $spans = $part->span > 0 ? $panel->spans($part->span) : $panel->usualSpans();
        $noun = $comparison->axis->frequency->noun();
        if ($spans === null) {
            throw InvalidStudy::because(
                "No {$noun} before the event has one of the same season after it" .
                    ($panel->skip > 0 ? ", with {$panel->skip} {$noun}s excluded from the event on" : '') .
                    '. Pull the ends of the track apart, or enter another date.',
            );
        }
        if ($panel->fitting($spans) === []) {
            $usual = $panel->usualSpans();
            throw InvalidStudy::because(
                "There are no {$spans->length} {$noun}s on both sides of the event. " .
                    ($usual === null
                        ? 'Pull the ends of the track apart.'
                        : "Enter at most {$usual->length}, or 0 for as many as there are."),
            );
        }

        return $spans;
    }

    private static function withoutValues(Comparison $comparison, EventSpans $spans): InvalidStudy
    {
        return InvalidStudy::because(
            "At no date of the event are there values of {$spans->length} " .
                "{$comparison->axis->frequency->noun()}s before and after it both of a line with it and of one " .
                'without it. Enter shorter spans, or choose other lines.',
        );
    }

    /** Why a member has no change. */
    private static function lack(EventPanel $panel, EventSpans $spans, int|string $key): string
    {
        $event = $panel->events[$key] ?? null;
        if ($event === null) {
            return 'fewer than half of the values over the spans';
        }
        $count = count($panel->with[$key]);

        return match (true) {
            $spans->before($event) < 0 => 'its event is too soon after the first value',
            $spans->after($event) + $spans->length > $count => 'its event is too close to the last value',
            default => 'fewer than half of the values over its spans, or nobody to compare with then',
        };
    }

    /**
     * @param array<array-key, Line> $lines
     * @param array<array-key, list<float>> $changes by member, one for each time of the event
     * @return list<MemberChange>
     */
    private static function changes(
        array $lines,
        EventMembers $members,
        EventPanel $panel,
        EventSpans $spans,
        array $changes,
    ): array {
        $found = [];
        $times = $panel->times();
        foreach (array_intersect_key($lines, $changes) as $key => $line) {
            $event = $panel->events[$key] ?? (count($times) === 1 ? $times[0] : null);
            [$before, $after] = $event === null
                ? [NAN, NAN]
                : $spans->means(($panel->with + $panel->without)[$key], $event);
            $change = array_sum($changes[$key]) / count($changes[$key]);
            $found[] = new MemberChange($line, $members->dates[$key] ?? null, $before, $after, $change);
        }

        return $found;
    }
}
