<?php

declare(strict_types=1);

namespace DuskRail\Rail\Stops;

use DuskRail\Rail\Remark;
use DuskRail\Time\Frequency;
use DuskRail\Time\PeriodAxis;

/** What IndexToBase says of series without a base. */
final readonly class IndexWords
{
    public function __construct(private IndexToBase $stop) {}

    /**
     * @param array<string, string> $without reason by name
     * @param array<string, string> $partial count by name
     * @return list<Remark>
     */
    public function remarks(array $without, array $partial, Frequency $frequency): array
    {
        $remarks = [];
        if ($without !== []) {
            $remarks[] = Remark::saying(
                Named::few(array_keys($without)) .
                    (count($without) === 1 ? ' has' : ' have') .
                    ' no base' .
                    ($this->stop->at === 'period' ? " in {$this->stop->base->label()}" : '') .
                    ': ' .
                    reset($without) .
                    '.',
                implode(
                    '; ',
                    array_map(static fn(string $n, string $r): string => "{$n}: {$r}", array_keys($without), $without),
                ),
            );
        }
        // The same for all is said once.
        $alike = count(array_unique($partial)) === 1 && count($partial) > 1;
        if ($partial !== []) {
            $have = $alike
                ? 'all indexed lines have ' . reset($partial) . " {$frequency->noun()}s of it"
                : Named::few(
                    array_map(
                        static fn(string $n, string $c): string => "{$n} has {$c} values",
                        array_keys($partial),
                        $partial,
                    ),
                );
            $remarks[] = Remark::saying("The base {$this->stop->base->label()} is incomplete: {$have}.");
        }

        return $remarks;
    }

    /** @param list<float> $values */
    public function reason(array $values, float $mean, PeriodAxis $axis): string
    {
        if (!is_nan($mean)) {
            return $mean === 0.0 ? 'the base is zero' : 'the base is below zero';
        }
        if ($this->stop->at === 'event') {
            return 'event year unknown or without a value';
        }
        foreach ($values as $position => $value) {
            if (!is_nan($value)) {
                $first = $axis->period($position);

                return $first->firstDay() > $this->stop->base->last->lastDay()
                    ? "values begin in {$first->label()}"
                    : 'no value in the base';
            }
        }

        return 'no values';
    }
}
