<?php

declare(strict_types=1);

namespace DuskRail\Data;

use DuskRail\Time\Frequency;

/**
 * What is counted or measured, at which frequency, in which unit (without the period: a flow's unit is `Ml`, not `Ml
 * per month`); with how many decimals it is written, if that was said; and of a rate the key of the measure that it is
 * per, by which its values are weighed: punctuality is per kilometres run.
 */
final readonly class Measure
{
    /** What names and units of money have in them; common practice, no source. */
    private const MONEY =
        '/€|\$|£|¥|\b(eur|usd|gbp|chf|sek|nok|dkk|kr|crowns?|euros?|dollars?|pounds?|francs?|costs?|price|' .
        'spend(ing)?|expenditure|revenue|income|wages?|salar(y|ies)|turnover|sales|budget|bill|investment|' .
        'capex|opex)\b/iu';

    /** What is measured and not counted, though its unit has no prefix; common practice, no source. */
    private const MEASURED =
        '/^(h|hrs?|hours?|min|minutes?|s|seconds?|days?|weeks?|months?|years?|km²?|ha|hectares?|acres?|miles?|mi|ft|' .
        'tonnes?|tons?|fte|litres?|points?|degrees?|%)$/iu';

    private function __construct(
        public string $key,
        public string $name,
        public Unit $unit,
        public MeasureKind $kind,
        public Better $better,
        public Frequency $frequency,
        public ?int $decimals = null,
        public string $per = '',
    ) {}

    public static function of(
        string $key,
        string $name,
        string $unit,
        MeasureKind $kind,
        Frequency $frequency,
        Better $better = Better::Neither,
    ): self {
        return new self($key, $name, Unit::parse($unit), $kind, $better, $frequency);
    }

    /** The same, written with so many decimals; null for as many as its values deserve. */
    public function withDecimals(?int $decimals): self
    {
        return new self(
            $this->key,
            $this->name,
            $this->unit,
            $this->kind,
            $this->better,
            $this->frequency,
            $decimals,
            $this->per,
        );
    }

    /** The same, being a rate per another measure; nothing where that is not known. */
    public function withPer(string $measure): self
    {
        return new self(
            $this->key,
            $this->name,
            $this->unit,
            $this->kind,
            $this->better,
            $this->frequency,
            $this->decimals,
            $measure,
        );
    }

    /** The unit of one value: a flow's is per period. */
    public function unitEach(): Unit
    {
        return $this->kind === MeasureKind::Flow ? $this->unit->each($this->frequency) : $this->unit;
    }

    /** Whether its name or unit says that it is money. */
    public function isMoney(): bool
    {
        return preg_match(self::MONEY, "{$this->name} {$this->unit->text()}") === 1;
    }

    /** Whether it counts things or events, as far as its name and unit tell. */
    public function isCount(): bool
    {
        return $this->kind !== MeasureKind::Rate &&
            $this->unit->counts() &&
            !$this->isMoney() &&
            preg_match(self::MEASURED, $this->unit->amount) !== 1;
    }

    /** Whether others can be divided by it: a ratio is divided by nothing more. */
    public function canDivide(): bool
    {
        return $this->kind !== MeasureKind::Rate;
    }

    /** What others are divided by when they are divided by this: its unit, or its own name where it has none. */
    public function divisor(): Unit
    {
        $unit = $this->unit->amount === '' ? Unit::parse(mb_strtolower($this->name)) : $this->unit;

        return $this->kind === MeasureKind::Flow ? $unit->each($this->frequency) : $unit;
    }
}
