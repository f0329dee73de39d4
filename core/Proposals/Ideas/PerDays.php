<?php

declare(strict_types=1);

namespace DuskRail\Proposals\Ideas;

use DuskRail\Proposals\Arriving;
use DuskRail\Proposals\Idea;
use DuskRail\Proposals\Proposal;
use DuskRail\Rail\Stops\PerDay;
use DuskRail\Statistics\RankCorrelation;
use DuskRail\Time\Frequency;

/** Monthly totals that go up and down with the length of the months. */
final class PerDays implements Idea
{
    /** From here on the days of a month explain most of its step from the month before. */
    private const ALIKE = 0.7;

    /** Of larger swings the days are a small part. */
    private const MOST = 0.2;

    private const FEWEST = 12;

    public function of(Arriving $at): ?Proposal
    {
        $axis = $at->table->axis;
        if ($axis->frequency !== Frequency::Month || $at->types !== [] || $at->swing(12) > self::MOST) {
            return null;
        }
        $alike = [];
        foreach ($at->values as $values) {
            $steps = $days = [];
            for ($i = 1, $count = count($values); $i < $count; $i++) {
                $step = $values[$i] / ($values[$i - 1] ?: NAN);
                if (is_finite($step)) {
                    $steps[] = $step;
                    $days[] = self::days($at, $i) / self::days($at, $i - 1);
                }
            }
            if (count($steps) >= self::FEWEST) {
                $alike[] = RankCorrelation::of($steps, $days);
            }
        }

        return Arriving::median($alike) >= self::ALIKE
            ? Proposal::because(
                'it goes up and down with the 28 to 31 days of the months',
                PerDay::default($at->table, $at->scope),
                $at,
            )
            : null;
    }

    /** @param int $i counted from the first period shown */
    private static function days(Arriving $at, int $i): int
    {
        $period = $at->table->axis->period($at->comparison->from + $i);

        return $period->lastDay() - $period->firstDay() + 1;
    }
}
