<?php

declare(strict_types=1);

namespace DuskRail\Proposals;

use DuskRail\Outcome\Comparison;
use DuskRail\Refusal;
use DuskRail\Signals\OddBase;

/** The stops that fit next, the first the one that a practitioner would begin with. A new idea is registered here. */
final class Proposals
{
    public const MOST = 3;

    private const IDEAS = [
        Ideas\PriceChange::class,
        Ideas\ConstantPrices::class,
        Ideas\Parts::class,
        Ideas\ForSize::class,
        Ideas\PerDays::class,
        Ideas\Calmer::class,
        Ideas\FewerPoints::class,
        Ideas\ChangeNotLevel::class,
        Ideas\PlaceAmongAll::class,
    ];

    /** @return list<Proposal> at most three, with what the line in focus would become; none that would be refused */
    public static function of(Comparison $comparison): array
    {
        $at = Arriving::of($comparison);
        $found = [];
        if ($comparison->run->refused() !== null || $at->values === []) {
            return [];
        }
        foreach (self::IDEAS as $idea) {
            try {
                $proposal = (new $idea())->of($at);
                $proposal = $proposal === null ? null : self::tried($proposal, $at);
            } catch (Refusal) {
                $proposal = null;
            }
            if ($proposal !== null) {
                $found[] = $proposal;
            }
            if (count($found) === self::MOST) {
                break;
            }
        }

        return $found;
    }

    /** With its result; nothing where it is refused, leaves the line in focus without a value, or would mislead. */
    private static function tried(Proposal $proposal, Arriving $at): ?Proposal
    {
        $focus = $at->focus();
        if ($focus === null || $proposal->stop->refusal($at->table, $at->scope) !== null) {
            return null;
        }
        $study = $at->comparison->study;
        $after = Comparison::of($study->withRail($study->rail->with($proposal->stop)), $at->scope->source());
        $line = $after->line($focus->key);
        $isKnown =
            $line !== null &&
            array_filter(array_slice($line->values, $after->from, $after->to - $after->from + 1), is_finite(...)) !==
                [];

        return $after->run->refused() === null && $isKnown && (new OddBase())->notice($after) === null
            ? $proposal->showing($line->values, $after->from, $after->to)
            : null;
    }
}
