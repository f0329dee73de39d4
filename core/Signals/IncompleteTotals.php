<?php

declare(strict_types=1);

namespace DuskRail\Signals;

use DuskRail\Data\IncompleteSum;
use DuskRail\Data\MeasureKind;
use DuskRail\Document\InvalidStudy;
use DuskRail\Document\Parts\LinesPart;
use DuskRail\Document\Parts\StackPart;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Lineup;
use DuskRail\Outcome\Stacked;
use DuskRail\Rail\Stops\Named;
use DuskRail\Time\Period;

/** Sums that lack the value of a member that goes on: left blank, or of the others, or of fewer members throughout. */
final class IncompleteTotals implements Signal
{
    public function notice(Comparison $comparison): ?Notice
    {
        if ($comparison->study->view !== 'stack') {
            return $this->ofGroups($comparison);
        }
        try {
            $stacked = Stacked::of(Lineup::of($comparison));
        } catch (InvalidStudy) {
            // The view says why there is no stack.
            return null;
        }
        $incomplete = $comparison->study->part(StackPart::class)->incomplete;
        $lacking = array_filter(
            $stacked->lacking,
            static fn(int $at): bool => $at >= $comparison->from && $at <= $comparison->to,
            ARRAY_FILTER_USE_KEY,
        );
        $periods = array_map($comparison->axis->period(...), array_keys($lacking));

        return $this->notified('The total', $incomplete, $periods, array_values($lacking), $stacked->leftOut, 'stack');
    }

    private function ofGroups(Comparison $comparison): ?Notice
    {
        $incomplete = $comparison->study->part(LinesPart::class)->incomplete;
        $origin = $comparison->run->origin;
        if ($origin->kind === MeasureKind::Rate && $origin->weights === null) {
            // Ratios without a weight have no sum; a mean of those there is not blank.
            return null;
        }
        $until = $comparison->axis->period($comparison->to)->lastDay();
        $from = $comparison->axis->period($comparison->from)->firstDay();
        foreach ($comparison->hasOneNow() ? $comparison->data->pools : [] as $pool) {
            $isSum = str_starts_with($pool->key, 'g:') && !$pool->averaged;
            if (!$isSum || $comparison->line($pool->key) === null) {
                continue;
            }
            $members = $pool->membersIn($origin);
            $periods = $names = [];
            foreach ($members->lacking() as $at => $keys) {
                $period = $origin->axis->period($at);
                if ($period->lastDay() >= $from && $period->firstDay() <= $until) {
                    $periods[] = $period;
                    $names[] = array_map($comparison->data->nameOf(...), $keys);
                }
            }
            $throughout = $members->throughout();
            $out = array_filter($pool->members, static fn(string $key): bool => !in_array($key, $throughout, true));
            $leftOut = array_values(array_map($comparison->data->nameOf(...), $out));
            $notice = $this->notified($pool->name, $incomplete, $periods, $names, $leftOut, LinesPart::name());
            if ($notice !== null) {
                return $notice;
            }
        }

        return null;
    }

    /**
     * @param list<Period> $periods without some value
     * @param list<list<string>> $names of those without one in each of these
     * @param list<string> $leftOut names of those that are not there throughout
     */
    private function notified(
        string $sum,
        IncompleteSum $incomplete,
        array $periods,
        array $names,
        array $leftOut,
        string $part,
    ): ?Notice {
        $isSame = $incomplete === IncompleteSum::Same;
        if ($isSame ? $leftOut === [] : $periods === []) {
            return null;
        }
        $all = array_values(array_unique(array_merge(...$names)));
        $who = Named::few($all) . (count($all) === 1 ? ' has' : ' have') . ' no value';
        $last = $periods === [] ? '' : $periods[count($periods) - 1]->label();
        $when = count($periods) === 1 ? "in {$last}" : 'in ' . count($periods) . " periods up to {$last}";
        [$sentence, $remedy, $next] = match ($incomplete) {
            IncompleteSum::Blank => [
                "{$sum} is blank {$when}, where {$who}.",
                'Sum the others',
                IncompleteSum::There,
            ],
            IncompleteSum::There => [
                "{$sum} is without some members {$when}, where {$who}.",
                'Leave blank',
                IncompleteSum::Blank,
            ],
            IncompleteSum::Same => [
                "{$sum} is of the same members throughout, without " . Named::few($leftOut) . '.',
                'Include all',
                IncompleteSum::Blank,
            ],
        };

        return Notice::saying(
            "incomplete-{$part}-{$incomplete->value}-" . hash('crc32b', "{$sum} {$last} " . implode(',', $leftOut)),
            $sentence,
            implode(', ', $isSame ? $leftOut : $all),
        )->withRemedy($remedy, 'set', ['part' => $part, 'settings' => ['incomplete' => $next->value]]);
    }
}
