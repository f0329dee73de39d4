<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

use DuskRail\Data\Better;
use DuskRail\Document\InvalidStudy;
use DuskRail\Document\LineState;
use DuskRail\Document\Parts\LinesPart;
use DuskRail\Document\Parts\PanelsPart;
use DuskRail\Document\Parts\PeerLine;
use DuskRail\Document\Parts\PeersPart;
use DuskRail\Document\Study;
use DuskRail\Time\CycleAxis;
use DuskRail\Time\Frequency;
use DuskRail\Time\Period;
use DuskRail\Time\PeriodAxis;
use DuskRail\Time\PeriodRange;
use DuskRail\Time\UnknownPeriod;

/** Splits a comparison into the panels of its picture. */
final class Facets
{
    /**
     * @param bool $overlaid whether each panel shows the years of a line merged into each other
     * @return list<Facet> in the order in which they are
     *
     * @throws UnknownPeriod|InvalidStudy when the data cannot be split so
     */
    public static function of(Comparison $comparison, bool $overlaid = false): array
    {
        $facets = match ($comparison->study->part(PanelsPart::class)->by) {
            'group' => self::byGroup($comparison, $overlaid),
            'measure' => self::byMeasure($comparison, $overlaid),
            'year' => self::byYear($comparison, $overlaid),
            'month' => self::byMonth($comparison),
            default => self::byLine($comparison, $overlaid),
        };

        return self::ordered($facets, $comparison->study);
    }

    /** @return list<Facet> a panel a line, or a panel of years merged into each other a line */
    private static function byLine(Comparison $comparison, bool $overlaid): array
    {
        $facets = [];
        $whole = Lineup::of($comparison);
        $sorted = array_filter($comparison->sorted(), static fn(Line $line): bool => $line->state !== LineState::Off);
        foreach ($sorted as $line) {
            if ($overlaid) {
                $lineup = Overlay::of($comparison, $line, true);
                $name = self::named($comparison, $line, $lineup);
                $facets[] = new Facet($line->key, $name, $lineup, $lineup->lines[0] ?? null);
            } else {
                $facets[] = new Facet($line->key, $line->name, $whole->only([$line]), $line);
            }
        }

        return $facets;
    }

    /** The name of a line, with the year that its latest values are of where others have later ones. */
    private static function named(Comparison $comparison, Line $line, Lineup $lineup): string
    {
        $own = $lineup->lines[0] ?? null;
        $isLatest =
            $own === null ||
            !($lineup->axis instanceof CycleAxis) ||
            $own->key === 'y:' . Overlay::newest($comparison, $lineup->axis);

        return $isLatest ? $line->name : "{$line->name}, {$own->name}";
    }

    /** @return list<Facet> */
    private static function byGroup(Comparison $comparison, bool $overlaid): array
    {
        $groups = [];
        foreach ($comparison->present() as $line) {
            $groups[$line->group === '' ? 'Without a group' : $line->group][] = $line;
        }
        ksort($groups);
        $whole = Lineup::of($comparison);
        $facets = [];
        foreach ($groups as $group => $lines) {
            if ($overlaid) {
                throw InvalidStudy::because('Overlay shows one line. Split by entity, or use the Lines view.');
            }
            $lineup = $whole->only($lines);
            // A category has peers of its own, and so a line and a band.
            $facets[] = new Facet(
                "g:{$group}",
                (string) $group,
                $comparison->peers->chosen->strata === []
                    ? $lineup
                    : $lineup->with(PeerSummary::beside($comparison, $lines[0])),
            );
        }

        return $facets;
    }

    /** @return list<Facet> the same picture of every measure; their units differ, so each has a scale of its own */
    private static function byMeasure(Comparison $comparison, bool $overlaid): array
    {
        $facets = [];
        foreach ($comparison->data->measures() as $key => $measure) {
            if ($measure->isTimeless) {
                continue;
            }
            $study = $comparison->study->withMeasure((string) $key);
            $other =
                $key === $comparison->measure->key
                    ? $comparison
                    : Comparison::of($study->withPart(new LinesPart()), $comparison->data->source());
            if ($other->run->refused() !== null || $other->axis->count < 2 || $other->present() === []) {
                continue;
            }
            $lineup = Lineup::of($other);
            if ($overlaid) {
                $subject = $other->line($comparison->subject()->key ?? '') ?? $other->present()[0];
                try {
                    $lineup = Overlay::of($other, $subject, true);
                } catch (UnknownPeriod) {
                    continue;
                }
            }
            $unit = $lineup->unit->text();
            $facets[] = new Facet(
                "m:{$key}",
                $measure->name . ($unit === '' ? '' : ", {$unit}"),
                $lineup,
                $lineup->focus()[0] ?? null,
            );
        }

        return $facets;
    }

    /** @return list<Facet> every calendar year by itself */
    private static function byYear(Comparison $comparison, bool $overlaid): array
    {
        if ($overlaid) {
            throw InvalidStudy::because(
                'Overlay already compares years. Split by entity or measure, or use the Lines view.',
            );
        }
        if ($comparison->axis->frequency === Frequency::Number || $comparison->axis->frequency->isYearly()) {
            throw InvalidStudy::because(
                "{$comparison->measure->name} has only one value per year, so it cannot be split by year. " .
                    'Split by entity.',
            );
        }
        $whole = Lineup::of($comparison);
        $facets = [];
        for ($from = $comparison->from; $from <= $comparison->to; $from = $to + 1) {
            $year = $comparison->axis->period($from)->yearNumber();
            for ($to = $from; $to < $comparison->to && $comparison->axis->period($to + 1)->yearNumber() === $year;) {
                $to++;
            }
            $lines = array_map(
                static fn(Line $l): Line => $l->until(
                    Line::lastOf($l->values, $from, $to),
                    Line::lastOf($l->values, $from, min($to, $comparison->reference)),
                ),
                $comparison->lines,
            );
            $lineup = $whole->only($lines)->within($from, $to);
            $all = PeriodRange::between(Period::year($year), Period::year($year))->at($comparison->axis->frequency);
            $before = $comparison->axis->first + $from - $all->first->ordinal;
            $facets[] = [$year, $lineup, max(0, $before), $all->count() - $before - ($to - $from + 1)];
        }
        // A leap year has a day more, and some years a week.
        $places = array_map(static fn(array $of): int => $of[2] + $of[3] + $of[1]->to - $of[1]->from, $facets);
        $most = max([0, ...$places]);

        return array_map(
            static fn(array $of): Facet => new Facet(
                "y:{$of[0]}",
                (string) $of[0],
                $of[1],
                $of[1]->focus()[0] ?? null,
                before: $of[2],
                after: max(0, $most - ($of[1]->to - $of[1]->from) - $of[2]),
            ),
            $facets,
        );
    }

    /**
     * @return list<Facet> a calendar month each, with the years along and their mean: how the seasons themselves
     *     change
     */
    private static function byMonth(Comparison $comparison): array
    {
        $perYear = $comparison->axis->frequency->perYear() ?? 1;
        $subject = $comparison->focus()[0] ?? ($comparison->present()[0] ?? null);
        if ($perYear < 2 || $subject === null) {
            throw InvalidStudy::because(
                'Only monthly, quarterly or half-yearly values can be split by part of the year. Add ' .
                    '“Aggregate” first.',
            );
        }
        $first = $comparison->axis->period($comparison->from)->yearNumber();
        $last = $comparison->axis->period($comparison->to)->yearNumber();
        $axis = PeriodAxis::of(Frequency::Year, $first, $last - $first + 1);
        $facets = [];
        for ($part = 0; $part < $perYear; $part++) {
            $values = [];
            for ($year = $first; $year <= $last; $year++) {
                $at = $year * $perYear + $part - $comparison->axis->first;
                $values[] = $at >= $comparison->from && $at <= $comparison->to ? $subject->values[$at] : NAN;
            }
            $line = new Line(
                "p:{$part}",
                $subject->name,
                '',
                LineState::Focus,
                max(1, $subject->hue),
                $values,
                ...array_fill(0, 2, Line::lastOf($values, 0, $axis->count - 1)),
            );
            $present = array_filter($values, static fn(float $v): bool => !is_nan($v));
            $name = explode(' ', Period::at($comparison->axis->frequency, $first * $perYear + $part)->short())[0];
            $lineup = new Lineup(
                $comparison,
                $axis,
                $comparison->run->table()->unit,
                [$line],
                0,
                $axis->count - 1,
                new PeerSummary(new PeersPart(line: PeerLine::None)),
                $comparison->decimals,
            );
            $facets[] = new Facet(
                "p:{$part}",
                $name,
                $lineup,
                $line,
                $present === [] ? NAN : array_sum($present) / count($present),
            );
        }

        return $facets;
    }

    /**
     * @param list<Facet> $facets
     * @return list<Facet>
     */
    private static function ordered(array $facets, Study $study): array
    {
        $order = $study->part(PanelsPart::class)->order;
        if ($order === 'hand') {
            $places = array_flip($study->part(PanelsPart::class)->hand);
            usort(
                $facets,
                static fn(Facet $a, Facet $b): int => ($places[$a->key] ?? 10_000) <=> ($places[$b->key] ?? 10_000),
            );
        } elseif ($order === 'name') {
            usort($facets, static fn(Facet $a, Facet $b): int => strnatcasecmp($a->name, $b->name));
        } elseif ($order !== 'roster') {
            $by = [];
            foreach ($facets as $i => $facet) {
                $by[$i] = self::measureOf($facet, $order);
            }
            uksort(
                $facets,
                static fn(int $a, int $b): int => [is_nan($by[$a]), is_nan($by[$a]) ? 0.0 : -$by[$a]] <=> [
                    is_nan($by[$b]),
                    is_nan($by[$b]) ? 0.0 : -$by[$b],
                ],
            );
        }

        return array_values($facets);
    }

    private static function measureOf(Facet $facet, string $order): float
    {
        $line = $facet->own;
        if ($line === null || $line->current === null) {
            return NAN;
        }

        // Of years along, as those of a calendar month are, there are no seasons.
        $season = $facet->lineup->axis == $facet->lineup->comparison->axis ? $facet->lineup->comparison->season() : 1;

        return match ($order) {
            'change' => $line->ends($facet->lineup->from, $season)->change(),
            'slope' => $line->slope($facet->lineup->from, $season),
            // The best first: of what is better low, the lowest.
            'rank' => $facet->lineup->comparison->better() === Better::Lower ? -$line->latest() : $line->latest(),
            default => $line->latest(),
        };
    }
}
