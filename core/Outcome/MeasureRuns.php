<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

use DuskRail\Data\Measure;
use DuskRail\Rail\Run;

/** Where lines are measures of one entity: the rail calculated on each, and the measures that cannot be lines. */
final readonly class MeasureRuns
{
    /**
     * @param array<string, Run> $runs by line
     * @param array<array-key, LeftOut> $leftOut why a measure cannot be beside the others, by its name
     */
    public function __construct(public array $runs = [], public array $leftOut = []) {}

    /** Why a measure calculated by a rail cannot be drawn beside another; null where it can. */
    public static function whyNotBeside(Measure $measure, Run $run, Run $other): ?LeftOut
    {
        $table = $run->table();
        $unit = $table->unit->text();

        return match (true) {
            $measure->isTimeless => new LeftOut('it has one value for all periods'),
            $run->refused() !== null && $other->refused() === null => new LeftOut((string) $run->refused()->refusal),
            $table->axis->frequency !== $other->table()->axis->frequency => new LeftOut(
                "it is {$table->axis->frequency->adjective()}",
            ),
            $unit !== $other->table()->unit->text() => new LeftOut(
                'it is in ' . ($unit === '' ? 'another unit' : $unit),
                true,
            ),
            default => null,
        };
    }
}
