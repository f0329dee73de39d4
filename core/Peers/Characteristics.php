<?php

declare(strict_types=1);

namespace DuskRail\Peers;

use DuskRail\Data\Benchmark;
use DuskRail\Data\DataSource;
use DuskRail\Data\Numerals;
use DuskRail\Data\UnknownMeasure;
use DuskRail\Time\Frequency;

/**
 * What entities are like: the latest year of a measure, or an attribute. Each is read once.
 *
 * Of a measure with several values a year it is the mean of those of the latest year, so that no season decides.
 */
final class Characteristics
{
    /** @var array<string, array<string, float|string|null>> by characteristic and entity */
    private array $known = [];

    public function __construct(private readonly DataSource $data) {}

    /** @return array<string, float|string|null> by entity key, null where it has none */
    public function of(string $characteristic): array
    {
        return $this->known[$characteristic] ??= str_starts_with($characteristic, 'measure:')
            ? $this->ofMeasure(substr($characteristic, 8))
            : $this->ofAttribute(substr($characteristic, 6));
    }

    /** Its name on screen. */
    public function name(string $characteristic): string
    {
        $key = substr((string) strstr($characteristic, ':'), 1);

        return str_starts_with($characteristic, 'measure:')
            ? $this->data->measures()[$key]->name ?? $key
            : mb_strtoupper(mb_substr($key, 0, 1)) . mb_substr($key, 1);
    }

    /** Whether its values are numbers. */
    public function isNumber(string $characteristic): bool
    {
        foreach ($this->of($characteristic) as $value) {
            if (is_string($value)) {
                return false;
            }
        }

        return true;
    }

    /**
     * All that there are: measures first, then attributes.
     *
     * @return array<string, string> name by characteristic
     */
    public function all(): array
    {
        $all = [];
        foreach ($this->data->measures() as $key => $measure) {
            if (!$measure->isAttribute()) {
                $all["measure:{$key}"] = $this->name("measure:{$key}");
            }
        }
        foreach ($this->data->entities() as $entity) {
            foreach ($entity->attributes as $name => $value) {
                if ($value !== '' && $name !== Benchmark::ATTRIBUTE) {
                    $all["about:{$name}"] ??= $this->name("about:{$name}");
                }
            }
        }

        return $all;
    }

    /** @return array<string, float|null> */
    private function ofMeasure(string $measure): array
    {
        try {
            $table = $this->data->table($measure);
        } catch (UnknownMeasure) {
            return [];
        }
        $last = $this->lastHeldByHalf(
            $table->series === [] ? [] : array_map(static fn($s) => $s->values, $table->series),
        );
        // Of data that are shorter than a year, what there is.
        $isNumbers = $table->axis->frequency === Frequency::Number;
        $year = $isNumbers ? 1 : max(1, min($table->axis->frequency->inAYear(), ($last ?? 0) + 1));
        $figures = [];
        foreach ($table->series as $key => $series) {
            $values = array_filter(
                $last === null ? [] : array_slice($series->values, max(0, $last - $year + 1), $year),
                static fn(float $v): bool => !is_nan($v),
            );
            // Half a year is not taken for a whole one.
            $figures[(string) $key] = count($values) * 2 < $year ? null : array_sum($values) / count($values);
        }

        return $figures;
    }

    /**
     * The latest position at which at least half of those that have any value have one.
     *
     * @param array<array-key, list<float>> $rows
     */
    private function lastHeldByHalf(array $rows): ?int
    {
        $ends = [];
        foreach ($rows as $values) {
            for ($i = count($values) - 1; $i >= 0 && is_nan($values[$i]); $i--);
            if ($i >= 0) {
                $ends[] = $i;
            }
        }
        rsort($ends);

        return $ends === [] ? null : $ends[intdiv(count($ends) - 1, 2)];
    }

    /** @return array<string, float|string|null> numbers where all that there are can be read as such */
    private function ofAttribute(string $name): array
    {
        $texts = [];
        foreach ($this->data->entities() as $key => $entity) {
            $text = trim($entity->attributes[$name] ?? '');
            $texts[(string) $key] = $text === '' ? null : $text;
        }
        $none = array_fill_keys(array_keys($texts), null);
        $numbers = Numerals::readColumn(array_filter($texts, static fn(?string $t): bool => $t !== null));

        return $numbers === null ? $texts : array_replace($none, $numbers);
    }
}
