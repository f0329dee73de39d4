<?php

declare(strict_types=1);

namespace DuskRail\Reading;

use DuskRail\Data\MeasureKind;
use DuskRail\Data\Numerals;
use DuskRail\Data\Status;
use DuskRail\Time\Frequency;
use DuskRail\Time\Period;

/** The values of a table read so far, by measure, subject and ordinal. Rows and columns count from 0. */
final class CellValues
{
    /** @var array<int, array<int, array<int, float>>> */
    public array $values = [];

    /** @var array<int, array<int, array<int, int>>> row × Observations::COLUMNS + column of the cells */
    public array $places = [];

    /** @var array<int, array<int, array<int, int>>> only where not simply measured */
    public array $statuses = [];

    /** @var array<int, array<int, array<int, int>>> how many values a mean is over, only where more than one */
    private array $repeats = [];

    public int $duplicateCount = 0;

    /** Cells that were taken, with a value or without. */
    public int $count = 0;

    /** Values of the row are multiplied by this. */
    private float $factor = 1.0;

    /** @param Frequency $frequency of measures that have none of their own */
    public function __construct(
        private readonly Plan $plan,
        private readonly Frequency $frequency,
        private readonly TableHeadings $headings,
        private readonly Subjects $subjects,
        private readonly MeasureList $measures,
        private readonly ProblemList $problems,
    ) {}

    /**
     * Takes the power of ten of a row, for the values that follow.
     *
     * @param list<string> $row
     */
    public function scaleBy(array $row): void
    {
        $column = $this->plan->columns->multiplier;
        $power = $column === null ? '' : trim($row[$column] ?? '');
        $this->factor = preg_match('/^-?\d{1,2}$/', $power) === 1 ? 10.0 ** (int) $power : 1.0;
    }

    /** @param int $place row × Observations::COLUMNS + column of the cell */
    public function put(int $place, string $text, int $measure, int $subject, int $ordinal, int $status = 0): void
    {
        $this->count++;
        $isMissing = $this->plan->stated->missing !== '' && trim($text) === $this->plan->stated->missing;
        $value = $isMissing ? NAN : $this->plan->numbers->read($text);
        if ($value === null) {
            [$row, $column] = [intdiv($place, Observations::COLUMNS), $place % Observations::COLUMNS];
            $figure = $this->figure($row, $column, $text);
            if ($figure === null || !$this->measures->hasUnitOf($row, $column, $text, $measure, $figure->unit)) {
                return;
            }
            $value = $figure->value;
            $status = $figure->status === Status::Measured ? $status : $figure->status->value;
        }
        if (isset($this->values[$measure][$subject][$ordinal])) {
            $row = intdiv($place, Observations::COLUMNS);
            $value = $this->combined($row, $measure, $subject, $ordinal, $value);
            if ($value === null) {
                return;
            }
        }
        $this->values[$measure][$subject][$ordinal] = $this->factor === 1.0 ? $value : $value * $this->factor;
        $this->places[$measure][$subject][$ordinal] = $place;
        if ($status !== 0) {
            $this->statuses[$measure][$subject][$ordinal] = $status;
        }
    }

    /** A number with its unit and status; null, with a problem noted, if the cell holds none. */
    public function figure(int $row, int $column, string $text): ?Figure
    {
        $figure = Figure::read($this->plan->numbers, $text, $this->plan->stated->letter);
        if ($figure === null) {
            $expected = "a number, for example {$this->plan->numbers->example()}";
            $this->problems->cell($row, $this->headings->text($column), $text, $expected);
        }

        return $figure;
    }

    /** One value of that which is there and one that comes again; null to leave the one that is there. */
    private function combined(int $row, int $measure, int $subject, int $ordinal, float $value): ?float
    {
        $there = $this->values[$measure][$subject][$ordinal];
        $this->duplicateCount++;
        if ($this->plan->duplicates === Duplicates::Ask) {
            $first = intdiv($this->places[$measure][$subject][$ordinal], Observations::COLUMNS) + 1;
            $period = Period::at($this->measures->all[$measure]->frequency ?? $this->frequency, $ordinal)->label();
            $this->problems->add(
                Problem::duplicate(
                    $row + 1,
                    $this->measures->all[$measure]->name,
                    "{$this->subjects->name($subject)}, {$period} again",
                    "one value; the first is in row {$first}",
                ),
            );

            return null;
        }
        $present = !is_nan($value);
        $repeats = $this->repeats[$measure][$subject][$ordinal] ?? (is_nan($there) ? 0 : 1);
        $this->repeats[$measure][$subject][$ordinal] = $repeats + ($present ? 1 : 0);

        return match ($this->plan->duplicates->of($this->measures->all[$measure]->kind)) {
            Duplicates::First => null,
            Duplicates::Last => $value,
            Duplicates::Sum => !$present ? null : ($repeats === 0 ? $value : $there + $value),
            default => !$present ? null : ($repeats === 0 ? $value : $there + ($value - $there) / ($repeats + 1)),
        };
    }

    /**
     * Of flows since the beginning of the year, makes those of each quarter alone. One that the quarter before it is
     * missing for is missing.
     */
    public function takeDifferences(): void
    {
        foreach ($this->values as $measure => $subjects) {
            if ($this->measures->all[$measure]->kind !== MeasureKind::Flow) {
                continue;
            }
            $parts = [];
            foreach ($subjects as $values) {
                foreach (array_keys($values) as $ordinal) {
                    $parts[$ordinal % 4] = true;
                }
            }
            foreach ($subjects as $subject => $values) {
                foreach ($values as $ordinal => $value) {
                    $before = $ordinal - 1;
                    while ($before % 4 !== 3 && !isset($parts[$before % 4])) {
                        $before--;
                    }
                    if ($before % 4 === 3 || is_nan($value)) {
                        continue;
                    }
                    $this->values[$measure][$subject][$ordinal] = $value - ($values[$before] ?? NAN);
                    if (is_nan($values[$before] ?? NAN)) {
                        $place = $this->places[$measure][$subject][$ordinal];
                        $this->problems->cell(
                            intdiv($place, Observations::COLUMNS),
                            $this->headings->text($place % Observations::COLUMNS),
                            Numerals::plain($value),
                            'a value for the period before it in the same year, to take the difference',
                        );
                    }
                }
            }
        }
    }

    /** Makes measures and values of the events. */
    public function takeEvents(EventAggregator $events): void
    {
        foreach ($events->measures($this->headings->text(...)) as [$measure, $values, $places]) {
            $this->measures->add($measure);
            $this->values[] = $values;
            $this->places[] = $places;
        }
    }
}
