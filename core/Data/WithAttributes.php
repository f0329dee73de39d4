<?php

declare(strict_types=1);

namespace DuskRail\Data;

use DuskRail\Time\Frequency;
use DuskRail\Time\Period;
use DuskRail\Time\PeriodAxis;

/**
 * A data set in which what is known of entities without time holds in all periods: their numeric attributes (area,
 * density), which become measures, and measures that a file had of no period. Others can be divided by them, allowed
 * for by them, and set against them.
 */
final class WithAttributes implements DataSource
{
    use DelegatesToData;

    /** Different numbers that an attribute must have, or there is nothing to compare. */
    private const LEAST = 2;

    /** @var array<string, Measure>|null all measures by key */
    private ?array $measures = null;

    /** @var array<string, array<string, float>> numbers by key of the attribute's measure and entity */
    private array $numbers = [];

    /** @var array<string, SeriesTable> by measure and cell */
    private array $tables = [];

    private function __construct(private readonly DataSource $data, private readonly string $measure) {}

    /** @param string $measure key of the measure in whose periods the values hold */
    public static function of(DataSource $data, string $measure): self
    {
        return $data instanceof self ? $data : new self($data, $measure);
    }

    public function measures(): array
    {
        if ($this->measures !== null) {
            return $this->measures;
        }
        $measures = $this->data->measures();
        $frequency = ($this->like()->frequency ?? Frequency::Number) === Frequency::Number
            ? Frequency::Number
            : Frequency::Year;
        foreach ($measures as $key => $measure) {
            if (
                $frequency !== Frequency::Number &&
                $measure->frequency === Frequency::Number &&
                $this->data->table((string) $key)->axis->count === 1
            ) {
                $measures[$key] = $measure->timeless($frequency);
            }
        }

        return $this->measures = $measures + $this->attributes($measures, $frequency);
    }

    /**
     * @param array<string, Measure> $measures of the data set
     * @return array<string, Measure> by key
     */
    private function attributes(array $measures, Frequency $frequency): array
    {
        $texts = $attributes = [];
        foreach ($this->data->entities() as $key => $entity) {
            foreach ($entity->attributes as $name => $text) {
                if (trim($text) !== '' && $name !== Benchmark::ATTRIBUTE) {
                    $texts[(string) $name][(string) $key] = $text;
                }
            }
        }
        // A formula names measures, and a name is of one.
        $taken = array_map(static fn(Measure $m): string => mb_strtolower($m->name), $measures);
        foreach ($texts as $name => $column) {
            $numbers = Numerals::readColumn($column);
            $measure = Measure::ofAttribute($name, $frequency);
            $isTaken = in_array(mb_strtolower($measure->name), $taken, true);
            if (!$isTaken && $numbers !== null && count(array_unique($numbers)) >= self::LEAST) {
                $attributes[$measure->key] = $measure;
                $this->numbers[$measure->key] = $numbers;
            }
        }

        return $attributes;
    }

    private function like(): ?Measure
    {
        $measures = $this->data->measures();

        return $measures[$this->measure] ?? (array_values($measures)[0] ?? null);
    }

    public function table(string $measureKey, ?Cell $cell = null): SeriesTable
    {
        $measure = $this->measures()[$measureKey] ?? throw UnknownMeasure::named($measureKey);
        if (!$measure->isTimeless) {
            return $this->data->table($measureKey, $cell);
        }

        return $this->tables["{$measureKey} {$cell}"] ??= $this->throughout($measure, $cell);
    }

    /** The one value of each, in all periods. */
    private function throughout(Measure $measure, ?Cell $cell): SeriesTable
    {
        $numbers = $this->numbers[$measure->key] ?? [];
        foreach ($measure->isAttribute() ? [] : $this->data->table($measure->key, $cell)->series as $key => $one) {
            $numbers[$key] = $one->values[0];
        }
        $axis = $this->axis();
        $series = [];
        foreach ($numbers as $key => $number) {
            $series[] = new Series((string) $key, array_fill(0, $axis->count, $number));
        }

        return new SeriesTable($axis, $measure->unit, $measure->kind, $series);
    }

    /** All years that the periods reach, or their numbers. */
    private function axis(): PeriodAxis
    {
        $like = $this->like();
        $axis = $like === null ? PeriodAxis::of(Frequency::Number, 0, 0) : $this->data->table($like->key)->axis;
        if ($axis->count === 0 || $axis->frequency === Frequency::Number) {
            return $axis;
        }
        $first = Period::holding(Frequency::Year, $axis->period(0)->firstDay())->ordinal;
        $last = Period::holding(Frequency::Year, $axis->period($axis->count - 1)->lastDay())->ordinal;

        return PeriodAxis::of(Frequency::Year, $first, $last - $first + 1);
    }

    public function splitBy(string $measureKey): array
    {
        return $this->isStored($measureKey) ? $this->data->splitBy($measureKey) : [];
    }

    public function unsettled(string $measureKey, ?Cell $cell = null): array
    {
        // Whether it is final or not, it is the only value.
        return $this->isStored($measureKey) && !$this->measures()[$measureKey]->isTimeless
            ? $this->data->unsettled($measureKey, $cell)
            : [];
    }

    public function statuses(string $measureKey, ?Cell $cell = null): array
    {
        return $this->isStored($measureKey) && !$this->measures()[$measureKey]->isTimeless
            ? $this->data->statuses($measureKey, $cell)
            : [];
    }

    public function origin(string $measureKey, string $entityKey, int $ordinal, ?Cell $cell = null): ?Origin
    {
        if (!$this->isStored($measureKey)) {
            return null;
        }
        $isTimeless = $this->measures()[$measureKey]->isTimeless;
        $at = $isTimeless ? $this->data->table($measureKey, $cell)->axis->first : $ordinal;

        return $this->data->origin($measureKey, $entityKey, $at, $cell);
    }

    private function isStored(string $measure): bool
    {
        return isset($this->data->measures()[$measure]);
    }
}
