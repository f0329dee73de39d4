<?php

declare(strict_types=1);

namespace DuskRail\Time;

/** An unbroken run of periods of one frequency, both ends included. Written `2019` or `2019-03..2020-02`. */
final readonly class PeriodRange
{
    private function __construct(public Period $first, public Period $last) {}

    public static function between(Period $first, Period $last): self
    {
        if ($first->frequency !== $last->frequency || $last->ordinal < $first->ordinal) {
            throw UnknownPeriod::backwards($first->label(), $last->label());
        }

        return new self($first, $last);
    }

    public static function parse(string $text): self
    {
        // As it is written down, or as it is shown.
        $ends = preg_split('/\.\.| [–-] /u', trim($text)) ?: [$text];
        if (count($ends) > 2) {
            throw UnknownPeriod::inText($text);
        }
        $first = Period::parse(trim($ends[0]));

        return self::between($first, isset($ends[1]) ? Period::parse(trim($ends[1])) : $first);
    }

    public function code(): string
    {
        return $this->count() === 1 ? $this->first->code() : "{$this->first->code()}..{$this->last->code()}";
    }

    /** `2019`, `March 2019`, `Mar 2019 – Feb 2020`; twelve months of one calendar year are that year. */
    public function label(): string
    {
        $year = Period::year($this->first->yearNumber());
        if (
            $this->first->frequency !== Frequency::Number &&
            $this->count() > 1 &&
            !Undated::holds($this->first) &&
            $this->first->firstDay() === $year->firstDay() &&
            $this->last->lastDay() === $year->lastDay()
        ) {
            return $year->label();
        }

        return $this->count() === 1 ? $this->first->label() : "{$this->first->short()} – {$this->last->short()}";
    }

    public function count(): int
    {
        return $this->last->ordinal - $this->first->ordinal + 1;
    }

    /** The same stretch of time in periods of another frequency: 2019 is January to December 2019. */
    public function at(Frequency $frequency): self
    {
        if ($frequency === $this->first->frequency) {
            return $this;
        }
        if ($frequency->isFinerThan($this->first->frequency)) {
            $first = Period::holding($frequency, $this->first->firstDay());
            // A week may hang over the start of a year; it belongs where its Thursday is.
            $first = $first->in($this->first->frequency)->ordinal < $this->first->ordinal ? $first->plus(1) : $first;
            $last = Period::holding($frequency, $this->last->lastDay());
            $last = $last->in($this->last->frequency)->ordinal > $this->last->ordinal ? $last->plus(-1) : $last;

            return self::between($first, $last);
        }

        return self::between($this->first->in($frequency), $this->last->in($frequency));
    }
}
