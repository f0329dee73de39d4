<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

use DuskRail\Data\IncompleteSum;
use DuskRail\Data\Members;
use DuskRail\Document\InvalidStudy;
use DuskRail\Document\LineState;
use DuskRail\Document\Parts\StackPart;
use DuskRail\Statistics\Total;

/** The lines of a lineup put on top of each other: the parts of a whole, from the bottom up. */
final readonly class Stacked
{
    public const REST = '~rest';

    /**
     * @param list<Layer> $layers from the bottom up
     * @param list<float> $totals along the axis, NAN where there is no total
     * @param list<Line> $parts all that are stacked, those in the rest one by one
     * @param array<int, list<string>> $lacking names of parts that go on and have no value, by position
     * @param list<string> $leftOut names of lines that are not there throughout, where those alone are stacked
     */
    private function __construct(
        public array $layers,
        public array $totals,
        public bool $adds,
        public array $parts,
        public array $lacking = [],
        public array $leftOut = [],
    ) {}

    /** @throws InvalidStudy when the lines are no parts of a whole */
    public static function of(Lineup $lineup): self
    {
        $part = $lineup->comparison->study->part(StackPart::class);
        $adds = $part->form !== 'through';
        $lines = array_values(
            array_filter(
                $lineup->present(),
                static fn(Line $line): bool => !$line->isGroup() && !$line->isBenchmark() && $line->last !== null,
            ),
        );
        self::check($lineup, $lines, $adds);
        [$lines, $lacking, $leftOut] = $adds ? self::whole($lines, $lineup, $part->incomplete) : [$lines, [], []];
        $sizes = array_map(static fn(Line $line): float => self::size($line, $lineup), $lines);
        arsort($sizes);
        $apart = array_keys(
            $part->top > 0 && count($lines) > $part->top + 1 ? array_slice($sizes, 0, $part->top, true) : $sizes,
        );
        // Who is in focus is by itself, however small.
        $apart = array_values(
            array_filter(
                array_keys($sizes),
                static fn(int $i): bool => in_array($i, $apart, true) || $lines[$i]->hue > 0,
            ),
        );
        if ($part->order === 'name') {
            usort($apart, static fn(int $a, int $b): int => strnatcasecmp($lines[$a]->name, $lines[$b]->name));
        } elseif ($part->order === 'roster') {
            sort($apart);
        } elseif ($part->order === 'hand') {
            $places = array_flip($part->hand);
            usort(
                $apart,
                static fn(int $a, int $b): int => ($places[$lines[$a]->key] ?? 10_000) <=>
                    ($places[$lines[$b]->key] ?? 10_000),
            );
        }
        $chosen = array_map(static fn(int $i): Line => $lines[$i], $apart);
        $others = array_values(array_diff_key($lines, array_flip($apart)));
        if ($others !== []) {
            $chosen[] = self::rest($others, $lineup);
        }

        if (!$adds) {
            return self::apart($chosen, $lines);
        }
        $blank = $part->incomplete === IncompleteSum::Blank ? $lacking : [];
        [$layers, $totals] = self::added($chosen, $blank, $part->form === 'shares');

        return new self($layers, $totals, true, $lines, $lacking, $leftOut);
    }

    /**
     * The lines that make the total, and where one of them that goes on has no value.
     *
     * @param list<Line> $lines
     * @return array{list<Line>, array<int, list<string>>, list<string>} lines, names of those lacking by position, and
     *     names of lines left out
     */
    private static function whole(array $lines, Lineup $lineup, IncompleteSum $incomplete): array
    {
        $shown = [];
        foreach ($lines as $line) {
            $shown[$line->key] = array_slice($line->values, 0, $lineup->to + 1);
        }
        $members = Members::of($shown, $lineup->comparison->axis->frequency);
        $names = array_column($lines, 'name', 'key');
        $lacking = array_map(
            static fn(array $keys): array => array_map(static fn(string $key): string => $names[$key], $keys),
            $members->lacking(),
        );
        if ($incomplete !== IncompleteSum::Same) {
            return [$lines, $lacking, []];
        }
        $throughout = array_flip($members->throughout());
        $kept = array_values(array_filter($lines, static fn(Line $l): bool => isset($throughout[$l->key])));
        $leftOut = array_filter($lines, static fn(Line $l): bool => !isset($throughout[$l->key]));

        return [$kept, [], array_values(array_map(static fn(Line $l): string => $l->name, $leftOut))];
    }

    /**
     * How much of the whole the largest so many parts make at a position, in per cent; NAN where there is no whole.
     */
    public function largest(int $count, int $position): float
    {
        $values = array_map(
            static fn(Line $part): float => is_nan($part->values[$position]) ? 0.0 : $part->values[$position],
            $this->parts,
        );
        rsort($values);
        $sum = new Total();
        foreach (array_slice($values, 0, $count) as $value) {
            $sum->add($value);
        }

        return $this->totals[$position] > 0.0 ? ($sum->value() / $this->totals[$position]) * 100.0 : NAN;
    }

    /** A layer with all that is below it, at a position; NAN where there is no total. */
    public function subtotal(string $key, int $position): float
    {
        $sum = new Total();
        foreach ($this->layers as $layer) {
            $value = $layer->line->values[$position];
            $sum->add(is_nan($value) ? 0.0 : $value);
            if ($layer->line->key === $key) {
                break;
            }
        }

        return is_nan($this->totals[$position]) ? NAN : $sum->value();
    }

    /** @param list<Line> $lines */
    private static function check(Lineup $lineup, array $lines, bool $adds): void
    {
        if ($adds && !$lineup->comparison->run->table()->nature->addsUp()) {
            $unit = $lineup->unit->text();
            throw InvalidStudy::because(
                "The result of the rail ({$unit}) cannot be summed, so it cannot be stacked. Turn off the " .
                    'division or index, add Share, or choose “Overlapping areas”.',
            );
        }
        foreach ($adds ? $lines : [] as $line) {
            for ($i = $lineup->from; $i <= $lineup->to; $i++) {
                if ($line->values[$i] < 0.0) {
                    throw InvalidStudy::because(
                        "{$line->name} is negative in " .
                            "{$lineup->when($line, $i)} " .
                            'and cannot be stacked. Hide it, or choose “Overlapping areas”.',
                    );
                }
            }
        }
    }

    private static function size(Line $line, Lineup $lineup): float
    {
        $sum = 0.0;
        for ($i = $lineup->from; $i <= $lineup->to; $i++) {
            $sum += is_nan($line->values[$i]) ? 0.0 : $line->values[$i];
        }

        return $sum;
    }

    /** @param non-empty-list<Line> $others */
    private static function rest(array $others, Lineup $lineup): Line
    {
        $values = array_fill(0, count($others[0]->values), NAN);
        foreach (array_keys($values) as $i) {
            $sum = new Total();
            $any = false;
            foreach ($others as $line) {
                if (!is_nan($line->values[$i])) {
                    $sum->add($line->values[$i]);
                    $any = true;
                }
            }
            $values[$i] = $any ? $sum->value() : NAN;
        }

        return new Line(
            self::REST,
            'Other (' . count($others) . ')',
            '',
            LineState::Peer,
            0,
            array_values($values),
            Line::lastOf(array_values($values), $lineup->from, $lineup->to),
            Line::lastOf(array_values($values), $lineup->from, $lineup->comparison->reference),
        );
    }

    /**
     * @param list<Line> $lines
     * @param array<int, mixed> $blank positions without a total
     * @return array{list<Layer>, list<float>} layers and totals
     */
    private static function added(array $lines, array $blank, bool $shares): array
    {
        $totals = [];
        $uppers = array_fill(0, count($lines), []);
        for ($i = 0, $count = $lines === [] ? 0 : count($lines[0]->values); $i < $count; $i++) {
            $sum = new Total();
            $any = false;
            foreach ($lines as $at => $line) {
                if (!is_nan($line->values[$i])) {
                    $sum->add($line->values[$i]);
                    $any = true;
                }
                $uppers[$at][] = $sum->value();
            }
            $totals[] = $any && !isset($blank[$i]) ? $sum->value() : NAN;
        }
        $layers = [];
        $below = array_fill(0, count($totals), 0.0);
        foreach ($lines as $at => $line) {
            $upper = [];
            foreach ($uppers[$at] as $i => $value) {
                $upper[] = match (true) {
                    is_nan($totals[$i]) => NAN,
                    !$shares => $value,
                    default => $totals[$i] > 0.0 ? ($value / $totals[$i]) * 100.0 : NAN,
                };
            }
            $layers[] = new Layer(
                $line,
                array_map(static fn(float $low, float $high): float => is_nan($high) ? NAN : $low, $below, $upper),
                $upper,
            );
            $below = $upper;
        }

        return [$layers, $totals];
    }

    /**
     * @param list<Line> $lines the largest behind
     * @param list<Line> $parts
     */
    private static function apart(array $lines, array $parts): self
    {
        $layers = array_map(
            static fn(Line $line): Layer => new Layer(
                $line,
                array_map(static fn(float $v): float => is_nan($v) ? NAN : 0.0, $line->values),
                $line->values,
            ),
            $lines,
        );

        return new self($layers, array_fill(0, $lines === [] ? 0 : count($lines[0]->values), NAN), false, $parts);
    }
}
