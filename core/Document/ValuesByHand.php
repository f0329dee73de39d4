<?php

declare(strict_types=1);

namespace DuskRail\Document;

use DuskRail\Data\Nature;
use DuskRail\Data\SeriesTable;
use DuskRail\Document\Parts\AxisPart;
use DuskRail\Document\Parts\LookPart;
use DuskRail\Document\Parts\Mark;
use DuskRail\Document\Parts\MarksPart;
use DuskRail\Document\Parts\Part;
use DuskRail\Document\Parts\PeersPart;
use DuskRail\Document\Parts\RulePart;
use DuskRail\Document\Parts\TonePart;
use DuskRail\Rail\Targets;

/**
 * Values that somebody typed in the unit that the rail ends in: targets, limits of the axis, reference lines.
 *
 * Where the unit becomes another they are converted if it differs by a factor alone; else they are kept with the unit
 * that they were meant in, and hold again once the rail ends in it. Each is known by its setting and its value, such as
 * `axis.low=90`, so that one typed later is of the unit that is there then.
 */
final class ValuesByHand
{
    /** @var list<array{class-string<Part>, string, string}> part, setting, what it is called */
    private const SETTINGS = [
        [PeersPart::class, 'target', 'target'],
        [AxisPart::class, 'low', 'minimum of the axis'],
        [AxisPart::class, 'high', 'maximum of the axis'],
        [TonePart::class, 'middle', 'midpoint of the colours'],
        [RulePart::class, 'value', 'value of the focus rule'],
        [LookPart::class, 'litAt', 'value of the coloured part'],
    ];

    private const MARK = 'marks.value';

    /** What tells whether values of two tables are in the same unit and of the same kind; the unit in words is last. */
    public static function unitOf(string $measure, SeriesTable $table): string
    {
        $kind = match ($table->nature) {
            Nature::Amount, Nature::Quotient, Nature::Daily, Nature::Window => '',
            default => $table->nature->value,
        };

        return "{$measure}|{$kind}|{$table->unit->text()}";
    }

    /** The unit in words of what unitOf() gives. */
    public static function unitInWords(string $unit): string
    {
        return explode('|', $unit, 3)[2] ?? $unit;
    }

    /** @return array<string, string> what each value of a study is called with the value, by what it is known by */
    public static function in(Study $study): array
    {
        $found = [];
        foreach (self::SETTINGS as [$class, $setting, $name]) {
            $value = self::written($study->part($class), $setting);
            if ($value !== '') {
                $found[self::key($class, $setting, $value)] = "{$name} {$value}";
            }
        }
        foreach ($study->part(MarksPart::class)->marks as $mark) {
            if ($mark->value !== null) {
                $found[self::MARK . "={$mark->value}"] = "reference line {$mark->value}";
            }
        }

        return $found;
    }

    /**
     * The study after an edit that led from one unit to another: what was there before is converted or remembered with
     * its unit.
     */
    public static function carried(Study $before, Study $after, SeriesTable $from, SeriesTable $to): Study
    {
        $there = self::in($after);
        $units = array_intersect_key($after->units, $there);
        $old = self::unitOf($before->measure, $from);
        if ($old === self::unitOf($after->measure, $to)) {
            return $after->withUnits($units);
        }
        $kept = array_diff_key(array_intersect_key($there, self::in($before)), $before->units);
        $isSame = $before->measure === $after->measure && $from->nature === $to->nature;
        $factor = $isSame ? $from->unit->factorTo($to->unit) : null;
        if ($factor !== null) {
            return self::each($after, array_keys($kept), $factor)->withUnits($units);
        }

        return $after->withUnits([...$units, ...array_fill_keys(array_keys($kept), $old)]);
    }

    /**
     * What of a study was meant in another unit.
     *
     * @return array<string, string> what it is called, by what it is known by
     */
    public static function foreign(Study $study, string $unit): array
    {
        $foreign = array_filter($study->units, static fn(string $own): bool => $own !== $unit);

        return array_intersect_key(self::in($study), $foreign);
    }

    /** The study without what was meant in another unit. */
    public static function holding(Study $study, string $unit): Study
    {
        $foreign = $study->units === [] ? [] : self::foreign($study, $unit);

        return $foreign === [] ? $study : self::each($study, array_keys($foreign), null);
    }

    /**
     * @param list<string> $keys of values
     * @param float|null $factor that they are multiplied by; null takes them out
     */
    private static function each(Study $study, array $keys, ?float $factor): Study
    {
        $isMeant = array_fill_keys($keys, true);
        $new = [];
        foreach (self::SETTINGS as [$class, $setting]) {
            $value = self::written($study->part($class), $setting);
            if ($value !== '' && isset($isMeant[self::key($class, $setting, $value)])) {
                $new[$class][$setting] = $factor === null ? '' : self::times($value, $factor);
            }
        }
        foreach ($new as $class => $settings) {
            $study = $study->withPart($class::from([...$study->part($class)->settings(), ...$settings]));
        }
        $marks = [];
        foreach ($study->part(MarksPart::class)->marks as $mark) {
            $isOne = $mark->value !== null && isset($isMeant[self::MARK . "={$mark->value}"]);
            if (!$isOne) {
                $marks[] = $mark;
            } elseif ($factor !== null) {
                $marks[] = Mark::from([...$mark->settings(), 'value' => $mark->value * $factor]);
            }
        }

        return $study->withPart(MarksPart::from(['marks' => $marks]));
    }

    private static function times(string $value, float $factor): string
    {
        return Targets::parse($value)->times($factor)->code();
    }

    /** A value as it is written; nothing where there is none, or where what is written is a period. */
    private static function written(Part $part, string $setting): string
    {
        $value = $part->settings()[$setting] ?? '';
        $isPeriod = $part instanceof LookPart && $part->lit === 'from';

        return is_scalar($value) && !$isPeriod ? (string) $value : '';
    }

    /** @param class-string<Part> $class */
    private static function key(string $class, string $setting, string $value): string
    {
        return "{$class::name()}.{$setting}={$value}";
    }
}
