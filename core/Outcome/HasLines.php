<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

use DuskRail\Document\LineState;
use DuskRail\Document\Study;

/** What can be asked of many lines; for classes with lines, from, to and decimals. */
trait HasLines
{
    /** @return list<Line> */
    public function inState(LineState $state): array
    {
        return array_values(array_filter($this->lines, static fn(Line $line): bool => $line->state === $state));
    }

    /** @return list<Line> that take part: in focus or quiet */
    public function present(): array
    {
        return array_values(array_filter($this->lines, static fn(Line $line): bool => $line->state !== LineState::Off));
    }

    /** @return list<Line> in focus, in the order in which they were chosen; what is dashed last */
    public function focus(): array
    {
        $lines = $this->inState(LineState::Focus);
        $order = array_flip(array_map(strval(...), array_keys($this->study()->focus)));
        usort(
            $lines,
            static fn(Line $a, Line $b): int => [$a->dashed, $order[$a->key] ?? -1] <=> [
                $b->dashed,
                $order[$b->key] ?? -1,
            ],
        );

        return $lines;
    }

    public function line(string $key): ?Line
    {
        foreach ($this->lines as $line) {
            if ($line->key === $key) {
                return $line;
            }
        }

        return null;
    }

    /**
     * @return array{float, float} lowest and highest value of the lines that take part, as far as shown; INF and
     *     -INF when there is none
     */
    public function extremes(): array
    {
        $low = INF;
        $high = -INF;
        foreach ($this->present() as $line) {
            for ($i = $this->from; $i <= $this->to; $i++) {
                $value = $line->values[$i];
                $low = $value < $low ? $value : $low;
                $high = $value > $high ? $value : $high;
            }
        }

        return [$low, $high];
    }

    public function format(float $value): string
    {
        return $this->precision()->text($value);
    }

    /** How its values are written. */
    abstract public function precision(): Precision;

    abstract private function study(): Study;
}
