<?php

declare(strict_types=1);

namespace DuskRail\Words;

use DuskRail\Outcome\Contributed;
use DuskRail\Outcome\ContributionRow;
use DuskRail\Outcome\Whole;
use DuskRail\Statistics\Equality;

/** Who accounts for a change, in one sentence. */
final class ContributionClaims
{
    /** In per cent of the change: what the few that are named have to add up to. */
    public const HALF = 50.0;

    /** Per cent of the change from which on others must have gone against it. */
    private const MORE_THAN_ALL = 100.5;

    /** Up to so many are few enough to name their number, if they are at most this share of all. */
    private const FEW = 6;

    private const FEW_OF = 0.4;

    /** Up to so many are named themselves. */
    private const NAMED = 2;

    private const NUMBERS = [3 => 'Three', 4 => 'Four', 5 => 'Five', 6 => 'Six'];

    public static function headline(Contributed $contributed): string
    {
        if (Equality::holds($contributed->result->before, $contributed->result->after)) {
            $none = ContributionWords::isBetweenEntities($contributed) ? 'no difference' : 'no change together';

            return "{$contributed->comparison->measure->name}: {$none} " . ContributionWords::span($contributed);
        }
        if (!$contributed->hasShares) {
            return self::cancelling($contributed);
        }

        $mix = self::allMix($contributed);
        if ($mix !== null) {
            return $mix;
        }
        $few = self::few($contributed);
        $named = $few === null ? [$contributed->members[0]] : $contributed->fewest(self::HALF);

        return ($few ?? self::spread($contributed)) . self::focus($contributed, $named);
    }

    /** Ups and downs that leave next to nothing. */
    private static function cancelling(Contributed $contributed): string
    {
        [$up, $down] = [0, 0];
        foreach ($contributed->members as $row) {
            $up += $row->change > 0.0 ? 1 : 0;
            $down += $row->change < 0.0 ? 1 : 0;
        }

        return "{$contributed->comparison->measure->name}: {$up} up and {$down} down nearly cancel out " .
            ContributionWords::span($contributed);
    }

    /** Said where the whole moved though no member's own rate moved that way. */
    private static function allMix(Contributed $contributed): ?string
    {
        $isUp = $contributed->change() > 0.0;
        if ($contributed->whole !== Whole::Ratio || count($contributed->members) < 2) {
            return null;
        }
        foreach ($contributed->members as $row) {
            [$first, $last] = [$row->of[0]->first(), $row->of[0]->last()];
            $isThatWay = $isUp ? $last > $first : $last < $first;
            if ($isThatWay && !Equality::holds($first, $last)) {
                return null;
            }
        }
        $count = count($contributed->members);

        return ContributionWords::isBetweenEntities($contributed)
            ? 'All of the difference is mix: in no category is the rate ' .
                    ($isUp ? 'higher' : 'lower') .
                    " in {$contributed->ends[1]}"
            : 'All of the ' .
                    ContributionWords::change($contributed) .
                    ' is mix: the rate ' .
                    ($isUp ? 'rose' : 'fell') .
                    " in none of the {$count}";
    }

    /** What can be claimed: that few account for half, or that all is mix; null where neither is so. */
    public static function claim(Contributed $contributed): ?string
    {
        return self::allMix($contributed) ?? self::few($contributed);
    }

    /** Who the fewest are that account for half; null where they are not few. */
    private static function few(Contributed $contributed): ?string
    {
        [$names, $share] = self::half($contributed);
        $all = count($contributed->members);
        $count = count($names);
        $of = self::of($contributed, $share);
        if ($count <= self::NAMED && $count < $all) {
            $verb = $count === 1 ? 'accounts' : 'account';

            return implode(' and ', $names) . " {$verb} for {$of}";
        }
        if ($count > self::FEW || $count > self::FEW_OF * $all) {
            return null;
        }
        $focus = $contributed->comparison->focus()[0]->name ?? '';
        $among = in_array($focus, $names, true) ? ", {$focus} among them," : '';

        return self::NUMBERS[$count] . " of {$all}{$among} account for {$of}";
    }

    private static function spread(Contributed $contributed): string
    {
        [$names] = self::half($contributed);
        $all = count($contributed->members);
        $largest = $contributed->members[0];
        $name = ContributionWords::name($contributed, $largest);
        $change = ContributionWords::change($contributed);

        return $all === 1
            ? "{$name} alone makes the {$change}"
            : "The {$change} is spread out: half of it takes " .
                    count($names) .
                    " of {$all}; {$name} accounts for " .
                    ContributionWords::percent($contributed->share($largest->change));
    }

    /** @return array{list<string>, float} names of the fewest that make at least half, and what they make in per cent */
    private static function half(Contributed $contributed): array
    {
        $rows = $contributed->fewest(self::HALF);
        $sum = array_sum(array_map(static fn(ContributionRow $row): float => $row->change, $rows));

        return [
            array_map(static fn(ContributionRow $row): string => ContributionWords::name($contributed, $row), $rows),
            $contributed->share($sum),
        ];
    }

    /**
     * What the first line in focus has to do with it, where it is not one of those that were named.
     *
     * @param list<ContributionRow> $named
     */
    private static function focus(Contributed $contributed, array $named): string
    {
        $key = $contributed->comparison->focus()[0]->key ?? '';
        $row = $contributed->row($key);
        if ($row === null || in_array($key, array_column($named, 'key'), true)) {
            return '';
        }
        $share = $contributed->share($row->change);
        $text = ContributionWords::percent(abs($share));

        return $share < 0.0 ? "; {$row->name} went against it by {$text}" : "; {$row->name} for {$text}";
    }

    /** A share in a sentence: `62 % of the fall`, `more than all of the fall`. */
    private static function of(Contributed $contributed, float $share): string
    {
        $text = $share >= self::MORE_THAN_ALL ? 'more than all' : ContributionWords::percent($share);

        return "{$text} of the " . ContributionWords::change($contributed);
    }
}
