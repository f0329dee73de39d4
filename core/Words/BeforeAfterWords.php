<?php

declare(strict_types=1);

namespace DuskRail\Words;

use DuskRail\Data\Numerals;
use DuskRail\Data\ValueType;
use DuskRail\Document\InvalidStudy;
use DuskRail\Document\Parts\BeforeAfterPart;
use DuskRail\Outcome\BeforeAfter;
use DuskRail\Outcome\Comparison;

/** What changed about an event, in words. */
final class BeforeAfterWords
{
    private const OTHERS = 'The others';

    /** Those with the event: `Veldmere Water`, `Group Upland`, `With online appeals`. */
    public static function with(BeforeAfter $found): string
    {
        $members = $found->members;

        return match (true) {
            count($found->with) === 1 => $found->with[0]->line->name,
            // Who had it is then those with a date, and is told by what happened to them.
            $members->event !== '' && ($members->name === '' || !$found->isCommon()) => "With {$members->event}",
            $members->name !== '' => $members->name,
            default => 'With the event',
        };
    }

    public static function without(BeforeAfter $found): string
    {
        return match (true) {
            count($found->without) === 1 => $found->without[0]->line->name,
            $found->members->others !== '' => $found->members->others,
            default => self::OTHERS,
        };
    }

    /** `after March 2022`; where the event was at several times, `after their dates`. */
    public static function when(BeforeAfter $found): string
    {
        return $found->isCommon() ? 'after ' . self::date($found) : 'after their dates';
    }

    /** When the event was, where that was one time for all. */
    public static function date(BeforeAfter $found): string
    {
        return array_values($found->members->dates)[0]->label();
    }

    /** `−19.3 %`: by how much some changed. */
    public static function change(BeforeAfter $found, float $change): string
    {
        return $found->precision->signed($change) . self::unit($found, false);
    }

    /** `−12.4 points` */
    public static function effect(BeforeAfter $found): string
    {
        return self::apart($found, $found->result->effect());
    }

    /** A distance between the two sides. */
    public static function apart(BeforeAfter $found, float $distance): string
    {
        return $found->precision->signed($distance) . self::unit($found, true);
    }

    /** `−17.1 to −7.7`: the confidence interval; nothing where there is none. */
    public static function interval(BeforeAfter $found): string
    {
        return self::between($found, $found->result->effect(), $found->result->reach());
    }

    private static function between(BeforeAfter $found, float $value, float $reach): string
    {
        $text = $found->precision->signed(...);

        return is_nan($reach) ? '' : "{$text($value - $reach)} to {$text($value + $reach)}";
    }

    /** `−19.3 %, mean of 8` */
    public static function side(BeforeAfter $found, float $change, int $count): string
    {
        return self::change($found, $change) . ($count > 1 ? ", mean of {$count}" : '');
    }

    /** `−12.4 points (−17.1 to −7.7)` */
    public static function effectBetween(BeforeAfter $found): string
    {
        $interval = self::interval($found);

        return self::effect($found) . ($interval === '' ? '' : " ({$interval})");
    }

    /** Why there is no number about the event of a study. */
    public static function missing(Comparison $comparison): string
    {
        try {
            $comparison->effects->beforeAfter();
        } catch (InvalidStudy $problem) {
            return $problem->getMessage();
        }

        return 'write {difference}, {with} or {without} alone, without a name.';
    }

    /** The sentence of a difference beyond chance, with its numbers in braces so that they follow new values. */
    public static function claim(BeforeAfter $found): string
    {
        return self::sides($found, '{with}', '{without}') . ': a difference of {difference}';
    }

    /** What happened, in one sentence. */
    public static function headline(BeforeAfter $found): string
    {
        $result = $found->result;
        $sides = self::sides($found, self::change($found, $result->with), self::change($found, $result->without));

        return match (true) {
            is_nan($found->result->error) || $found->result->isBeyondChance()
                => "{$sides}: a difference of " . self::effectBetween($found),
            default => "{$sides}: no difference beyond chance, " . self::effectBetween($found),
        };
    }

    /** What each side did: `Veldmere −19.3 % after March 2022, the others −6.9 %`. */
    private static function sides(BeforeAfter $found, string $with, string $without): string
    {
        $others = self::without($found);
        // A name keeps its capital.
        $others = $others === self::OTHERS ? lcfirst($others) : $others;

        return self::with($found) . " {$with} " . self::when($found) . ", {$others} {$without}";
    }

    /** Those with the event, within a sentence that has named it. */
    public static function whoHadIt(BeforeAfter $found): string
    {
        return match (true) {
            count($found->with) === 1 => $found->with[0]->line->name,
            $found->members->name !== '' && $found->isCommon() => $found->members->name,
            default => 'those with it',
        };
    }

    /** What the picture shows, below the headline. */
    public static function subtitle(BeforeAfter $found): string
    {
        $band = $found->comparison->study->part(BeforeAfterPart::class)->band;
        $isBanded = $band !== 'none' && count($found->without) >= 4;

        return 'change ' .
            ($found->panel->isRelative ? 'in % of' : 'from') .
            ' the mean of the ' .
            self::theSpan($found, $found->spans->length) .
            ' before' .
            ($isBanded ? '; shaded: middle half of the ' . count($found->without) . ' without it' : '');
    }

    /** `24 months`, `1 year`; whole years of months as years. */
    public static function span(BeforeAfter $found, int $length): string
    {
        $noun = $found->comparison->axis->frequency->noun();
        $season = $found->panel->season;
        if ($season > 1 && $length % $season === 0) {
            [$length, $noun] = [intdiv($length, $season), 'year'];
        }

        return $length === 1 ? "1 {$noun}" : "{$length} {$noun}s";
    }

    /** The same after “the”: `24 months`, `year`. */
    private static function theSpan(BeforeAfter $found, int $length): string
    {
        return (string) preg_replace('/^1 /', '', self::span($found, $length));
    }

    /**
     * How far the difference can be trusted.
     *
     * @return list<array{string, string}> what is asked, and what is found
     */
    public static function checks(BeforeAfter $found): array
    {
        return array_values(
            array_filter(
                [
                    ['95 % interval', self::error($found)],
                    ['Courses before', self::before($found)],
                    ['Other spans', self::otherSpans($found)],
                    ['Placebo dates', self::placeboDates($found)],
                    ['Placebo members', self::placeboMembers($found)],
                ],
                static fn(array $check): bool => $check[1] !== '',
            ),
        );
    }

    private static function error(BeforeAfter $found): string
    {
        $result = $found->result;

        return match (true) {
            is_nan($result->error) => 'none: one line on each side shows no spread',
            $result->isPooled => "one spread for both sides, with {$result->countWith} and " .
                "{$result->countWithout} members",
            default => 'clustered by line, ' . Numerals::text($result->freedom, 1) . ' degrees of freedom',
        };
    }

    /** Whether those with it went another way already. */
    private static function before(BeforeAfter $found): string
    {
        $before = $found->panel->courseBefore($found->spans);
        if ($before === null) {
            return 'too short to compare';
        }
        $year = $found->panel->season;
        $noun = $year > 1 ? 'year' : $found->comparison->axis->frequency->noun();
        $slope = self::apart($found, $year * $before->effect()) . " a {$noun}";
        $between = self::between($found, $year * $before->effect(), $year * $before->reach());

        return match (true) {
            $between === '' => "{$slope} apart",
            $before->isBeyondChance() => "not parallel, {$slope} ({$between})",
            default => "parallel within chance, {$slope} ({$between})",
        };
    }

    /** The difference over shorter and longer spans. */
    private static function otherSpans(BeforeAfter $found): string
    {
        $step = max(1, $found->panel->season);
        $texts = [];
        for ($length = $step; $length <= 5 * $step; $length += $step) {
            $spans = $found->panel->spans($length);
            $difference = $length === $found->spans->length ? null : $found->panel->difference($spans);
            if ($difference !== null) {
                $members = $difference->countWith === $found->result->countWith ? '' : " (of {$difference->countWith})";
                $texts[] = self::span($found, $length) .
                    ' ' .
                    $found->precision->signed($difference->effect()) .
                    $members;
            }
        }

        return implode(', ', $texts);
    }

    private static function placeboDates(BeforeAfter $found): string
    {
        $dates = $found->panel->placeboDates($found->spans);
        $size = abs($found->result->effect());
        $asLarge = array_filter($dates, static fn(float $effect): bool => abs($effect) >= $size);

        return $dates === []
            ? 'none: too little before the event'
            : self::count(count($asLarge)) . ' of ' . Numerals::count(count($dates)) . ' earlier dates ' .
                (count($asLarge) === 1 ? 'shows' : 'show') .
                ' as large a difference';
    }

    private static function placeboMembers(BeforeAfter $found): string
    {
        $placebo = $found->panel->placeboMembers($found->spans);
        if ($placebo === null) {
            return '';
        }
        $others = $placebo->asLarge - 1;

        return $placebo->size === 1
            ? ($placebo->asLarge === 1 ? 'largest' : Numerals::ordinal($placebo->asLarge) . ' largest') .
                " of {$placebo->of} differences, each line against the rest"
            : self::count($others) .
                ' of ' .
                Numerals::count($placebo->of - 1) .
                ($placebo->isAll ? ' other choices of ' : ' random choices of ') .
                "{$placebo->size} lines " .
                ($others === 1 ? 'differs' : 'differ') .
                ' as much';
    }

    private static function count(int $number): string
    {
        return $number === 0 ? 'none' : Numerals::count($number);
    }

    /** What follows a change, or a difference of two. */
    private static function unit(BeforeAfter $found, bool $isDifference): string
    {
        $unit = $found->unit();

        return match (true) {
            $found->panel->isRelative, $unit->sort === ValueType::Percent => $isDifference ? ' points' : ' %',
            default => rtrim(" {$unit->text()}"),
        };
    }

    /**
     * Who is not in it, and what is not counted.
     *
     * @return list<string>
     */
    public static function notes(BeforeAfter $found): array
    {
        $notes = [];
        $noun = $found->comparison->axis->frequency->noun();
        $skip = $found->spans->skip;
        if ($skip > 0) {
            $notes[] = 'Neither before nor after: ' .
                ($skip === 1
                    ? "the {$noun} of the event"
                    : 'the ' . self::theSpan($found, $skip) . ' from the event on') .
                '.';
        }
        if ($found->comparison->isSmoothed()) {
            $notes[] = 'Compared are the values without the rolling window.';
        }
        $byReason = [];
        foreach ($found->leftOut as $name => $reason) {
            $byReason[$reason][] = $name;
        }
        foreach ($byReason as $reason => $names) {
            $notes[] = 'Excluded, ' . $reason . ': ' . implode(', ', $names) . '.';
        }

        return $notes;
    }

    /**
     * All that the picture shows, for those who do not see it.
     *
     * @param list<array{string, string}>|null $checks as checks() has them, where they are known
     */
    public static function summary(BeforeAfter $found, ?array $checks = null): string
    {
        $checks = array_map(
            static fn(array $check): string => "{$check[0]}: {$check[1]}.",
            $checks ?? self::checks($found),
        );

        return self::headline($found) . '. ' . implode(' ', [...$checks, ...self::notes($found)]);
    }

    /**
     * How the difference was calculated.
     *
     * @return list<string>
     */
    public static function working(BeforeAfter $found): array
    {
        $result = $found->result;
        $precision = $found->precision;
        $fine = static fn(float $v): string => $precision->signed($v, $precision->decimals + 2);

        return [
            self::with($found) . ": mean of {$result->countWith} changes = {$fine($result->with)}",
            self::without($found) . ": mean of {$result->countWithout} changes over the same spans = " .
                $fine($result->without),
            "Difference: {$fine($result->with)} − ({$fine($result->without)}) = {$fine($result->effect())}",
            ...is_nan($result->error)
                ? []
                : [
                    'Standard error ' .
                        Numerals::text($result->error, $precision->decimals + 2) .
                        ', ' .
                        Numerals::text($result->freedom, 2) .
                        " degrees of freedom: 95 % interval {$fine($result->effect() - $result->reach())} to " .
                        $fine($result->effect() + $result->reach()),
                ],
        ];
    }
}
