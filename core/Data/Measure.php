<?php

declare(strict_types=1);

namespace DuskRail\Data;

use DuskRail\Time\Frequency;

/**
 * What is counted or measured, at which frequency, in which unit (without the period: a flow's unit is `Ml`, not `Ml
 * per month`); with how many decimals it is written, if that was said; and of a rate the key of the measure that it is
 * per, by which its values are weighed: punctuality is per kilometres run. One that is timeless has one value, which
 * holds in all periods.
 */
final readonly class Measure
{
    /** What the key of an attribute begins with. */
    private const ATTRIBUTE = 'about:';

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
        public bool $isTimeless = false,
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

    /**
     * An attribute of entities as a measure. What is in brackets is its unit.
     *
     * @param string $name of the attribute
     */
    public static function ofAttribute(string $name, Frequency $frequency): self
    {
        $parts = preg_match('/^(.+?)\s*[(\[]([^()\[\]]+)[)\]]$/u', $name, $m) === 1 ? [$m[1], $m[2]] : [$name, ''];
        $title = mb_strtoupper(mb_substr($parts[0], 0, 1)) . mb_substr($parts[0], 1);
        $kind = MeasureKind::guess(...$parts);

        return self::of(self::ATTRIBUTE . $name, strtr($title, ['_' => ' ']), $parts[1], $kind, $frequency)->timeless(
            $frequency,
        );
    }

    /** The same with one value for all periods, given at a frequency: it is added up over none. */
    public function timeless(Frequency $frequency): self
    {
        $kind = $this->kind === MeasureKind::Rate ? MeasureKind::Rate : MeasureKind::Stock;

        return new self(
            $this->key,
            $this->name,
            $this->unit,
            $kind,
            $this->better,
            $frequency,
            $this->decimals,
            $this->per,
            true,
        );
    }

    /** Whether it is an attribute of entities, and no measure of the data set. */
    public function isAttribute(): bool
    {
        return str_starts_with($this->key, self::ATTRIBUTE);
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
            $this->isTimeless,
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
            $this->isTimeless,
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
