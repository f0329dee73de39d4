<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

use DuskRail\Data\Better;
use DuskRail\Document\LineState;
use DuskRail\Document\Parts\RulePart;
use DuskRail\Document\Study;

/** Whom a rule puts in focus. */
final readonly class FocusRule
{
    /**
     * @param int $from first position shown
     * @param int $season values in a year, 1 without seasons
     */
    public function __construct(
        private RulePart $part,
        private Better $better,
        private int $from,
        private int $season,
    ) {}

    /**
     * @param list<Line> $lines
     * @param array<string, int> $before hue by line of those that it found before, who keep theirs
     * @param list<int> $taken hues of whole groups in focus, which no rule chooses
     * @return array<string, int> hue by line
     */
    public function found(array $lines, array $before, array $taken): array
    {
        $figures = [];
        foreach ($lines as $line) {
            if (
                $line->state !== LineState::Off && $line->current !== null && !$line->isGroup() && $this->takes($line)
            ) {
                $figures[$line->key] = $this->figure($line);
            }
        }
        $figures = array_filter($figures, static fn(float $v): bool => !is_nan($v));
        $lowestFirst = $this->part->by === 'bottom' || ($this->part->by !== 'top' && $this->better === Better::Lower);
        $lowestFirst ? asort($figures) : arsort($figures);
        $most = $this->part->takesAnEnd() ? $this->part->count : Study::MOST_FOCUS;
        $most = min($most, Study::MOST_FOCUS - count($taken));
        $keys = array_map(strval(...), array_keys(array_slice($figures, 0, $most, true)));
        $kept = array_intersect_key($before, array_flip($keys));
        $free = array_values(array_diff(range(1, Study::MOST_FOCUS), $kept, $taken));
        $focus = [];
        foreach ($keys as $key) {
            $focus[$key] = $kept[$key] ?? (array_shift($free) ?? 1);
        }

        return $focus;
    }

    private function takes(Line $line): bool
    {
        $value = $this->part->value;

        return match ($this->part->by) {
            'past' => $value !== null &&
                ($this->better === Better::Lower ? $line->latest() <= $value : $line->latest() >= $value),
            'group' => $this->part->group !== '' && $line->group === $this->part->group,
            default => true,
        };
    }

    private function figure(Line $line): float
    {
        return match ($this->part->takesAnEnd() ? $this->part->of : 'latest') {
            'change' => $line->ends($this->from, $this->season)->change(),
            'slope' => $line->slope($this->from, $this->season),
            // The first place is the top.
            'rank' => $this->better === Better::Lower ? -$line->latest() : $line->latest(),
            default => $line->latest(),
        };
    }
}
