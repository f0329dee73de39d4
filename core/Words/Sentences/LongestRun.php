<?php

declare(strict_types=1);

namespace DuskRail\Words\Sentences;

use DuskRail\Data\Better;
use DuskRail\Data\Nature;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Line;
use DuskRail\Statistics\Equality;
use DuskRail\Statistics\Seasonality;

/**
 * For how many periods in a row a line in focus has only risen or only fallen, up to its latest value. Of values that
 * swing with the seasons, for how many it has been above or below the year before; a running total says nothing.
 */
final class LongestRun implements ClaimFinder
{
    private const SHORTEST = 4;

    /** A run against the year before that chance brings into one of thirty lines without any change. */
    private const SHORTEST_ON_YEAR = 6;

    public function claims(Comparison $comparison): array
    {
        $claims = [];
        foreach ($comparison->run->table()->nature === Nature::Total ? [] : $comparison->focus() as $line) {
            $claims[] = $line->current === null ? null : $this->claim($comparison, $line, $line->current);
        }

        return array_values(array_filter($claims));
    }

    private function claim(Comparison $comparison, Line $line, int $current): ?Claim
    {
        $season = $comparison->seasonLeft();
        $values = array_slice($line->values, $comparison->from, $current - $comparison->from + 1);
        $isSeasonal = Seasonality::isClear($values, $season);
        $back = $isSeasonal === true ? $season : 1;
        [$run, $way] = self::run($line, $comparison->from, $current, $back);
        $least = match ($isSeasonal) {
            true => self::SHORTEST_ON_YEAR,
            false => self::SHORTEST,
            // In less than three years a run may be the season, unless it is longer than half of one.
            null => max(self::SHORTEST, intdiv($season, 2) + 1),
        };
        if ($run < $least) {
            return null;
        }
        $start = $back > 1 ? $current - $back : $current - $run;
        $said = static fn(int $at): string => "{$comparison->axis->period($at)->label()}: " .
            $comparison->format($line->values[$at]);
        $each = $back > 1 ? 'each of them' : 'every one between';
        $before = $back > 1 ? 'the year before' : 'the one before';

        return Claim::of(
            $line->name . self::phrase($comparison, $way, $back > 1, $run),
            0.25 + min(0.5, $run / 24),
            "{$said($start)}; {$said($current)}; {$each} " . ($way < 0 ? 'below' : 'above') . " {$before}.",
        );
    }

    private static function phrase(Comparison $comparison, int $way, bool $isOnYear, int $run): string
    {
        $noun = $comparison->axis->frequency->noun() === 'number' ? 'period' : $comparison->axis->frequency->noun();
        $isPlace = $comparison->run->table()->nature->isPlace();
        $gains = $way < 0 === ($comparison->better() === Better::Lower);
        if ($isOnYear) {
            $side = $isPlace ? ($gains ? 'ahead of' : 'behind') : ($way < 0 ? 'below' : 'above');

            return " has been {$side} the same {$noun} a year before for {$run} {$noun}s in a row";
        }
        $verb = $isPlace ? ($gains ? 'gained ranks' : 'lost ranks') : ($way < 0 ? 'fallen' : 'risen');

        return " has {$verb} for {$run} {$noun}s in a row";
    }

    /** @return array{int, int} how long the run up to a position is, and −1 or 1 for its way */
    private static function run(Line $line, int $from, int $current, int $back): array
    {
        $run = $way = 0;
        for ($i = $current; $i - $back >= $from; $i--) {
            [$now, $then] = [$line->values[$i], $line->values[$i - $back]];
            $step = is_nan($now) || is_nan($then) ? 0 : Equality::compare($now, $then);
            if ($step === 0 || ($way !== 0 && $step !== $way)) {
                break;
            }
            $way = $step;
            $run++;
        }

        return [$run, $way];
    }
}
