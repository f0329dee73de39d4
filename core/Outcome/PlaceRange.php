<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

use DuskRail\Data\Better;
use DuskRail\Statistics\Redraw;

/**
 * The places that a line would take in 95 of 100 redraws of all counts, each around its own (Goldstein and
 * Spiegelhalter, 1996, “League tables and their limitations”).
 */
final readonly class PlaceRange
{
    private const DRAWS = 1000;

    private const SEED = 1996;

    private function __construct(public int $from, public int $to) {}

    /** @return self|null null where values are not counts divided by something, or the line has no value */
    public static function of(Comparison $comparison, Line $line): ?self
    {
        $chance = Chance::ofEvents($comparison);
        $at = $line->current;
        if ($chance === null || $at === null || $line->isGroup()) {
            return null;
        }
        $counts = [];
        foreach ($comparison->present() as $other) {
            $exposure = $chance->exposure($other->key, $at);
            $count = $other->values[$at] * $exposure;
            if (!is_nan($count) && $exposure > 0.0 && $comparison->peers->counts($line, $other)) {
                $counts[$other->key] = [$count, $exposure];
            }
        }
        if (!isset($counts[$line->key]) || count($counts) < 2) {
            return null;
        }
        $isLower = $comparison->better() === Better::Lower;
        $redraw = new Redraw(self::SEED);
        $places = [];
        for ($draw = 0; $draw < self::DRAWS; $draw++) {
            $rates = [];
            foreach ($counts as $key => [$count, $exposure]) {
                $rates[$key] = $redraw->poisson($count) / $exposure;
            }
            $own = $rates[$line->key];
            $before = 0;
            foreach ($rates as $rate) {
                $before += ($isLower ? $rate < $own : $rate > $own) ? 1 : 0;
            }
            $places[] = $before + 1;
        }
        sort($places);

        // A fortieth of the draws on either side.
        $apart = intdiv(self::DRAWS, 40);

        return new self($places[$apart], $places[self::DRAWS - $apart - 1]);
    }

    /** `2–6`, or one place that is certain. */
    public function inWords(): string
    {
        return $this->from === $this->to ? (string) $this->from : "{$this->from}–{$this->to}";
    }
}
