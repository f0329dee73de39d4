<?php

declare(strict_types=1);

namespace App\View;

use App\Drawing\Svg;
use DuskRail\Chart\Spark;
use DuskRail\Document\LineState;
use DuskRail\Outcome\Line;
use DuskRail\Outcome\LineRole;
use DuskRail\Outcome\Lineup;
use DuskRail\Time\CycleAxis;

/** A row of the roster: what a line's state is, its course in small and its latest value, and the ways to change it. */
final class RosterRow
{
    /** Of more lines than this, only some rows are drawn at once. */
    private const MANY = 300;

    /** So many from the top, about two screens; and those that differ from the rest. */
    private const AT_ONCE = 80;

    /** How many can be asked for at a time. */
    public const ASKED = 200;

    /**
     * @param list<Line> $lines in their order in the roster
     * @return array<string, true>|null keys of rows that are drawn at once; null for all
     */
    public static function drawn(array $lines): ?array
    {
        if (count($lines) <= self::MANY) {
            return null;
        }
        $drawn = [];
        foreach ($lines as $n => $line) {
            if ($n < self::AT_ONCE || $line->hue > 0 || $line->state === LineState::Off) {
                $drawn[$line->key] = true;
            }
        }

        return $drawn;
    }

    /** A row that can be found by its name, and is drawn once it is scrolled to. */
    public static function later(Line $line): string
    {
        return '<li class="row later"' . self::facts($line) . '>' . e($line->name) . '</li>';
    }

    public static function of(Lineup $lineup, Line $line): string
    {
        $focus = $line->hue > 0;
        $off = $line->state === LineState::Off;
        [$name, $key, $latest] = [e($line->name), e($line->key), e($lineup->precision()->bare($line->latest()))];
        $class =
            'row' .
            ($focus ? " f in-{$line->ink()}" : '') .
            ($off ? ' off' : '') .
            match ($line->role) {
                LineRole::Outside => ' outside',
                LineRole::Benchmark => ' benchmark',
                LineRole::Compared => '',
            };
        $title = $line->isBenchmark() ? e(__(':name, a benchmark: no peer', ['name' => $line->name])) : $name;
        $change = static fn(
            string $state,
        ): string => "data-change=\"state\" data-entity=\"{$key}\" data-state=\"{$state}\"";
        [$does, $sign] = $off ? [e(__('Show')), '+'] : [e(__('Hide')), '×'];

        return "<li class=\"{$class}\"" .
            self::facts($line) .
            '><button type="button" class="pick" tabindex="-1" aria-pressed="' .
            ($focus ? 'true' : 'false') .
            "\" title=\"{$title}\" {$change($focus ? 'peer' : 'focus')}><i></i><span>{$name}</span>" .
            '<svg width="46" height="20" aria-hidden="true"><path transform="scale(.1)" d="' .
            self::course($lineup, $line) .
            "\"/></svg><em>{$latest}</em></button><button type=\"button\" class=\"away\" tabindex=\"-1\" " .
            "aria-label=\"{$does} {$name}\" title=\"{$does}\" {$change($off ? 'peer' : 'off')}>{$sign}</button></li>";
    }

    private static function facts(Line $line): string
    {
        $key = e($line->key);
        $name = e(mb_strtolower($line->name));

        return ' id="row-' . str_replace(':', '-', $key) . "\" data-line=\"{$key}\" data-name=\"{$name}\"";
    }

    private static function course(Lineup $lineup, Line $line): string
    {
        $until = max($lineup->from, min($lineup->to, ($lineup->open ?? $lineup->to + 1) - 1));
        $absent = $lineup->axis instanceof CycleAxis ? [] : $line->absent;

        return Svg::path(Spark::pieces($line->values, $lineup->from, $until, 46, 20, $absent));
    }
}
