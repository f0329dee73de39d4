<?php

declare(strict_types=1);

namespace DuskRail\Rail\Formula;

use DuskRail\Data\Measure;
use DuskRail\Data\MeasureKind;
use DuskRail\Data\Unit;
use DuskRail\Data\ValueType;

/**
 * What a part of a formula is counted in, calculated along with it.
 *
 * A number beside a measure leaves its unit as it is (twice a length is a length); beside a ratio it is the
 * multiplier that the unit names, as in per 1,000 people; so is a power of ten beside what a ratio is made of.
 */
final readonly class Quantity
{
    /** @param Unit|null $unit null of a plain number */
    private function __construct(
        private ?Unit $unit,
        public MeasureKind $kind,
        private ?Unit $divisor = null,
        private float $times = 1.0,
        private ?Unit $asDivisor = null,
    ) {}

    public static function number(float $number): self
    {
        return new self(null, MeasureKind::Rate, null, $number);
    }

    public static function of(Unit $unit, MeasureKind $kind): self
    {
        return new self($unit, $kind);
    }

    public static function measure(Measure $measure): self
    {
        return new self($measure->unitEach(), $measure->kind, null, 1.0, $measure->divisor());
    }

    public function unit(): Unit
    {
        $unit = $this->unit ?? Unit::parse('');

        return $this->divisor === null ? $unit->shifted($this->times) : $unit->over($this->divisor, $this->times);
    }

    /** @throws InvalidFormula when the two cannot be joined so */
    public function join(string $sign, self $other): self
    {
        return match (true) {
            $this->unit === null && $other->unit === null => self::number($this->together($sign, $other->times)),
            $sign === '+', $sign === '−' => $this->sum($sign, $other),
            $other->unit === null => $this->scaled(
                $sign === '×' || $other->times === 0.0 ? $other->times : 1 / $other->times,
            ),
            $this->unit === null => $sign === '×'
                ? $other->scaled($this->times)
                : throw InvalidFormula::because(
                    "A number cannot be divided by values in {$other->unit()->text()}. Divide the measure by the " .
                        'number.',
                ),
            $sign === '÷' => $this->quotient($other),
            default => $this->product($other),
        };
    }

    private function together(string $sign, float $number): float
    {
        return match ($sign) {
            '+' => $this->times + $number,
            '−' => $this->times - $number,
            '×' => $this->times * $number,
            default => $number === 0.0
                ? throw InvalidFormula::because('The formula divides by zero.')
                : $this->times / $number,
        };
    }

    private function scaled(float $times): self
    {
        if (!is_finite($times) || $times === 0.0) {
            throw InvalidFormula::because('The formula multiplies or divides a measure by zero.');
        }

        return new self($this->unit, $this->kind, $this->divisor, $this->times * $times, $this->asDivisor);
    }

    private function sum(string $sign, self $other): self
    {
        $number = $this->unit === null || $other->unit === null;
        $measured = $this->unit === null ? $other : $this;
        if ($number && !$measured->unit()->isAmount()) {
            return self::of($measured->unit(), $measured->kind);
        }
        $what = $sign === '+' ? 'added up' : 'subtracted';
        if ($number || $this->unit()->text() !== $other->unit()->text()) {
            $texts = array_map(
                static fn(self $q): string => $q->unit === null ? 'a number' : "values in {$q->unit()->text()}",
                [$this, $other],
            );
            throw InvalidFormula::because(
                ucfirst("{$texts[0]} and {$texts[1]} cannot be {$what}. Convert them to one unit first."),
            );
        }
        if ($this->kind !== $other->kind) {
            throw InvalidFormula::because(
                "A {$this->kind->value} and a {$other->kind->value} cannot be {$what}: one is a total over " .
                    'time, the other is not.',
            );
        }

        return self::of(
            $sign === '−' && $this->unit()->sort === ValueType::Percent ? $this->unit()->difference() : $this->unit(),
            $this->kind,
        );
    }

    private function quotient(self $other): self
    {
        foreach ([$this, $other] as $part) {
            if (!$part->unit()->isAmount()) {
                throw InvalidFormula::because(
                    "Values in {$part->unit()->text()} are not an amount and cannot be used in a division.",
                );
            }
        }

        // Thousands of connections and per 1,000 connections are the same; the half of a sum is no unit.
        return new self(
            $this->unscaled(),
            MeasureKind::Rate,
            $other->asDivisor ?? $other->unscaled(),
            $this->powerOfTen() / $other->powerOfTen(),
        );
    }

    /** The unit without the power of ten that the ratio takes into its own. */
    private function unscaled(): Unit
    {
        return $this->divisor === null ? $this->unit ?? Unit::parse('') : $this->unit();
    }

    /** What a measure was multiplied by to be read in another unit, or 1. */
    private function powerOfTen(): float
    {
        return $this->divisor === null && $this->times > 0.0 && fmod(round(log10($this->times), 9), 1.0) === 0.0
            ? $this->times
            : 1.0;
    }

    private function product(self $other): self
    {
        if ($this->kind !== MeasureKind::Rate && $other->kind !== MeasureKind::Rate) {
            throw InvalidFormula::because(
                "Values in {$this->unit()->text()} cannot be multiplied by values in " .
                    "{$other->unit()->text()}: one must be a ratio, for example a price.",
            );
        }

        return new self(
            $this->unscaled()->by($other->unscaled()),
            $this->kind === MeasureKind::Rate ? $other->kind : $this->kind,
            null,
            ($this->divisor === null ? $this->times : 1.0) * ($other->divisor === null ? $other->times : 1.0),
        );
    }
}
