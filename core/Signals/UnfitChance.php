<?php

declare(strict_types=1);

namespace DuskRail\Signals;

use DuskRail\Document\Parts\Band;
use DuskRail\Document\Parts\PeersPart;
use DuskRail\Document\Parts\ScatterPart;
use DuskRail\Outcome\Chance;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Scattered;
use DuskRail\Refusal;

/** Chance limits that were asked for of values that are no counts, or along an axis that is not their size. */
final class UnfitChance implements Signal
{
    public function notice(Comparison $comparison): ?Notice
    {
        $isScatter = $comparison->study->view === 'scatter';
        $isAsked = $isScatter
            ? $comparison->study->part(ScatterPart::class)->likeness->funnel
            : $comparison->study->part(PeersPart::class)->band === Band::Chance;
        if (!$isAsked) {
            return null;
        }
        $reason = Chance::reason($comparison);
        if ($reason === '' && $isScatter) {
            $reason = self::alongWhat($comparison);
        }

        return $reason === ''
            ? null
            : Notice::saying(
                'no-chance-' . hash('crc32b', $reason),
                "There are no chance limits: {$reason}. They need counts that are divided by a measure.",
            )->withRemedy(
                'Hide the limits',
                'set',
                $isScatter
                    ? ['part' => 'scatter', 'settings' => ['funnel' => '0']]
                    : ['part' => 'peers', 'settings' => ['band' => Band::None->value]],
            );
    }

    private static function alongWhat(Comparison $comparison): string
    {
        try {
            return match (true) {
                Scattered::of($comparison)->funnel() !== null => '',
                $comparison->study->part(ScatterPart::class)->at === 'path' => 'a path is of many periods',
                Chance::isOverlapping($comparison) => 'rolling windows overlap and cannot be added up over time',
                default => 'the horizontal axis is not the measure that the counts are divided by',
            };
        } catch (Refusal) {
            return '';
        }
    }
}
