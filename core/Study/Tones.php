<?php

declare(strict_types=1);

namespace DuskRail\Study;

use DuskRail\Data\Better;
use DuskRail\Data\Numerals;

/** The colours of lines by a figure of theirs, and the scale that a key shows. */
final readonly class Tones
{
    /**
     * @param array<string, Tone> $tones by line
     * @param string $low what the first step stands for, as it is written
     * @param string $middle of two arms what they part at, else nothing
     * @param string $high what the last step stands for
     */
    private function __construct(public string $name, public bool $about, public array $tones, public string $low, public string $middle, public string $high) {}

    /** @return self|null null where lines are not coloured by a figure, or no line has one */
    public static function of(Comparison $comparison): ?self
    {
        $part = $comparison->study->tone;
        $present = array_filter($comparison->present(), static fn(Line $l): bool => $l->last !== null);
        $figures = [];
        foreach ($part->by === 'none' ? [] : $present as $line) {
            $figures[$line->key] = self::figure($part->by, $line, $comparison);
        }
        if ($part->by === 'place') {
            $figures = self::places($figures, $comparison->data->better === Better::Lower);
        }
        $figures = array_filter($figures, static fn(float $v): bool => ! is_nan($v));
        if ($figures === []) {
            return null;
        }
        [$low, $high] = [min($figures), max($figures)];
        $middle = match (true) {
            $part->by === 'target' => 0.0,
            $part->scale !== 'about' => null,
            $part->by === 'place' => ($low + $high) / 2,
            default => $part->middle ?? ($part->by === 'change' ? 0.0 : self::levelOfPeers($comparison, ($low + $high) / 2)),
        };
        $reach = $middle === null ? 0.0 : max($high - $middle, $middle - $low);
        if ($middle !== null) {
            [$low, $high] = [$middle - $reach, $middle + $reach];
        }
        $arms = intdiv(Tone::STEPS, 2);
        $tones = [];
        foreach ($figures as $key => $figure) {
            $step = match (true) {
                $middle !== null => $arms + 1 + ($reach > 0.0 ? (int) round($arms * ($figure - $middle) / $reach) : 0),
                $high > $low => 1 + min(Tone::STEPS - 1, (int) floor(Tone::STEPS * ($figure - $low) / ($high - $low))),
                default => $arms + 1,
            };
            // The first place is the strong end.
            $tones[(string) $key] = new Tone($middle !== null, $part->by === 'place' ? Tone::STEPS + 1 - $step : $step);
        }
        $said = static fn(float $v): string => $part->by === 'place' ? (string) round($v) : ($part->by === 'latest' ? Numerals::text($v, Numerals::decimals([$low, $high])) : Numerals::signed($v, Numerals::decimals([$low, $high])));
        $ends = [$said($low), $said($high)];

        return new self(
            ['change' => 'change over what is shown', 'place' => 'place', 'target' => 'distance from the target'][$part->by] ?? 'latest value',
            $middle !== null,
            $tones,
            $ends[$part->by === 'place' ? 1 : 0],
            $middle === null || $part->by === 'place' ? '' : $said($middle),
            $ends[$part->by === 'place' ? 0 : 1],
        );
    }

    private static function figure(string $by, Line $line, Comparison $comparison): float
    {
        $first = $line->first($comparison->from);

        return match ($by) {
            'change' => $first === null ? NAN : $line->latest() - $line->values[$first],
            'target' => $line->latest() - $comparison->study->peers->target->at($line->name, $comparison->axis, (int) $line->last),
            default => $line->latest(),
        };
    }

    /**
     * @param array<string, float> $figures
     * @return array<string, float> places from 1, those that are alike sharing one
     */
    private static function places(array $figures, bool $lowerIsFirst): array
    {
        $places = [];
        foreach ($figures as $key => $figure) {
            $places[$key] = 1.0 + count(array_filter($figures, static fn(float $other): bool => $lowerIsFirst ? $other < $figure : $other > $figure));
        }

        return $places;
    }

    private static function levelOfPeers(Comparison $comparison, float $otherwise): float
    {
        $last = Line::lastOf($comparison->peerLine, $comparison->from, $comparison->peerLine === [] ? $comparison->from - 1 : $comparison->to);

        return $last === null ? $otherwise : $comparison->peerLine[$last];
    }
}
