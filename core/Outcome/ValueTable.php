<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

use DuskRail\Document\Parts\Band;
use DuskRail\Peers\PeerFigures;
use DuskRail\Time\Period;
use DuskRail\Time\PeriodAxis;

/** What a view shows, as a table of values in full precision, to hand over. */
final readonly class ValueTable
{
    /**
     * @param list<string> $heads one for each column
     * @param list<list<string|float>> $rows NAN for a missing value
     * @param list<string> $notes what else the screen says: values that may be revised, points that are excluded
     */
    public function __construct(public array $heads, public array $rows, public array $notes = []) {}

    /** Periods, or places within a year, in rows and lines in columns, with the peer line and band that are drawn. */
    public static function ofLines(Lineup $lineup): self
    {
        $columns = [];
        foreach ($lineup->present() as $line) {
            $columns[] = [$line->name, $line->values];
        }
        $summary = $lineup->summary;
        if ($summary->line !== []) {
            $columns[] = [$summary->name, $summary->line];
        }
        $band = $summary->part->band;
        if ($band === Band::Chance) {
            array_push($columns, ...self::chanceLimits($lineup->comparison));
        } elseif ($band !== Band::None && $summary->values !== []) {
            $type = $lineup->comparison->data->conventions->quantiles;
            $columns[] = ['Peer band, lower', PeerFigures::quantile($summary->values, $band->tail(), $type)];
            $columns[] = ['Peer band, upper', PeerFigures::quantile($summary->values, 1 - $band->tail(), $type)];
        }
        $isOfRail = $lineup->unit === $lineup->comparison->run->table()->unit;
        $to = $lineup->to;
        $isOfRail = $isOfRail && $lineup->axis instanceof PeriodAxis;
        foreach ($isOfRail ? Outlooks::shown($lineup->comparison) : [] as $outlook) {
            array_push($columns, ...self::projected($outlook));
            $to = max($to, $outlook->path?->end() ?? $to);
        }
        $rows = [];
        for ($i = $lineup->from; $i <= $to; $i++) {
            $values = array_map(static fn(array $column): float => $column[1][$i] ?? NAN, $columns);
            $rows[] = [
                $lineup->axis instanceof PeriodAxis ? $lineup->axis->period($i)->code() : $lineup->place($i),
                ...$values,
            ];
        }

        return new self(['Period', ...array_column($columns, 0)], $rows, self::unsettled($lineup->comparison));
    }

    /**
     * What is projected is beside the values, never among them.
     *
     * @return list<array{string, array<int, float>}>
     */
    private static function projected(Outlook $outlook): array
    {
        $columns = [[], [], []];
        foreach ($outlook->path->values ?? [] as $position => $value) {
            if ($position !== $outlook->path?->start()) {
                $reach = $outlook->path?->reach[$position] ?? NAN;
                $columns[0][$position] = $value;
                $columns[1][$position] = $value - $reach;
                $columns[2][$position] = $value + $reach;
            }
        }
        $name = "{$outlook->line->name}, projection";

        return [
            [$name, $columns[0]],
            ["{$name}, 95 % lower", $columns[1]],
            ["{$name}, 95 % upper", $columns[2]],
        ];
    }

    /** @return list<array{string, list<float>}> between what the first line in focus would be by chance alone */
    private static function chanceLimits(Comparison $comparison): array
    {
        $line = $comparison->focus()[0] ?? null;
        $chance = $line === null ? null : Chance::of($comparison);
        if ($line === null || $chance === null) {
            return [];
        }
        $limits = array_map(
            static fn(int $i): array => $chance->limits($i, $chance->exposure($line->key, $i), $line->key),
            array_keys($line->values),
        );
        $columns = [];
        foreach (['lower 99.8 %', 'lower 95 %', 'upper 95 %', 'upper 99.8 %'] as $n => $which) {
            $columns[] = ["Chance limit for {$line->name}, {$which}", array_column($limits, $n)];
        }

        return $columns;
    }

    /** @return list<string> whose values are provisional, and since when */
    public static function unsettled(Comparison $comparison): array
    {
        $lines = [];
        foreach ($comparison->data->unsettled($comparison->measure->key) as $key => $ordinal) {
            $line = $comparison->line((string) $key);
            if ($line !== null) {
                $lines[$ordinal][] = $line->name;
            }
        }
        $frequency = $comparison->run->origin->axis->frequency;
        $notes = [];
        foreach ($lines as $ordinal => $names) {
            $from = Period::at($frequency, $ordinal)->label();
            $notes[] = "Provisional values from {$from}: " . implode(', ', $names);
        }

        return $notes;
    }
}
