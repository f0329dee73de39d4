<?php

declare(strict_types=1);

namespace DuskRail\Peers;

use DuskRail\Data\Members;
use DuskRail\Data\Series;
use DuskRail\Data\SeriesTable;
use DuskRail\Time\Frequency;
use DuskRail\Time\Period;
use DuskRail\Time\UnknownPeriod;

/** Which entities have values of the measure that is compared: whether they go on, and whether any are missing. */
final class Coverage
{
    /** @var array<array-key, int> position of the last value, by entity; -1 without any */
    private array $lasts = [];

    private int $newest = -1;

    /** @var list<bool>|null whether anybody has a value, by position */
    private ?array $held = null;

    public function __construct(private readonly ?SeriesTable $table)
    {
        foreach ($table->series ?? [] as $key => $series) {
            for ($last = count($series->values) - 1; $last >= 0 && is_nan($series->values[$last]);) {
                $last--;
            }
            $this->lasts[$key] = $last;
            $this->newest = max($this->newest, $last);
        }
    }

    /** Why an entity takes no part any more, or never did; nothing where it goes on. */
    public function ended(string $key): string
    {
        $last = $this->lasts[$key] ?? -1;

        return match (true) {
            $this->table === null => '',
            $last < 0 => 'no values of this measure',
            $last < $this->newest - Members::patience($this->table->axis->frequency) => 'ended in ' .
                $this->table->axis->period($last)->label(),
            default => '',
        };
    }

    /** How many values an entity has. */
    public function count(string $key): int
    {
        $values = $this->table->series[$key]->values ?? [];

        return count(array_filter($values, static fn(float $v): bool => !is_nan($v)));
    }

    /** What is missing of an entity since a period; nothing where nothing is. */
    public function missing(string $key, string $since): string
    {
        $values = $this->table->series[$key]->values ?? null;
        if ($this->table === null || $values === null || $this->table->axis->frequency === Frequency::Number) {
            return '';
        }
        try {
            $from = Period::parse($since)->firstDay();
        } catch (UnknownPeriod) {
            return '';
        }
        $asked = $there = 0;
        foreach ($this->held() as $i => $isHeld) {
            // A period in which nobody has a value yet is nobody's gap.
            if ($isHeld && $this->table->axis->period($i)->firstDay() >= $from) {
                $asked++;
                $there += is_nan($values[$i]) ? 0 : 1;
            }
        }
        $missing = $asked - $there;

        return $missing === 0
            ? ''
            : "{$missing} of {$asked} values since {$since} " . ($missing === 1 ? 'is' : 'are') . ' missing';
    }

    /** @return list<bool> */
    private function held(): array
    {
        if ($this->held === null) {
            $this->held = [];
            $rows = array_map(static fn(Series $s): array => $s->values, array_values($this->table->series ?? []));
            for ($i = 0; $i < ($this->table->axis->count ?? 0); $i++) {
                $isHeld = false;
                for ($row = 0; !$isHeld && $row < count($rows); $row++) {
                    $isHeld = !is_nan($rows[$row][$i]);
                }
                $this->held[] = $isHeld;
            }
        }

        return $this->held;
    }
}
