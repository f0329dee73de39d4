<?php

declare(strict_types=1);

namespace DuskRail\Signals;

use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Line;
use DuskRail\Time\PeriodRange;

/**
 * How many comparisons of a focus line with another would turn if the base were another: the ranking depends on the
 * choice.
 */
final class BaseDecides implements Signal
{
    public function notice(Comparison $comparison): ?Notice
    {
        $index = IndexAtEnd::in($comparison);
        $focus = $comparison->focus();
        if ($index === null || $focus === []) {
            return null;
        }
        $worst = null;
        foreach ($index->others() as $base) {
            [$turned, $of, $example] = $this->turned($comparison, $focus, $index, $base);
            if ($turned > 0 && ($worst === null || $turned > $worst['turned'])) {
                $worst = ['turned' => $turned, 'of' => $of, 'example' => $example, 'base' => $base];
            }
        }
        if ($worst === null) {
            return null;
        }

        return Notice::saying(
            "base-decides-{$index->base->code()}",
            "The result depends on the base: with {$worst['base']->label()}, {$worst['example']}" .
                ($worst['turned'] > 1
                    ? "; {$worst['turned']} of {$worst['of']} comparisons with the focus would be reversed."
                    : ' (1 of ' . $worst['of'] . ' comparisons).'),
        )->withRemedy("Use {$worst['base']->label()}", 'change-stop', [
            'id' => $index->stop,
            'settings' => ['base' => IndexAtEnd::code($worst['base'])],
        ]);
    }

    /**
     * @param list<Line> $focus
     * @return array{int, int, string} how many turn, of how many, and one of them in words
     */
    private function turned(Comparison $comparison, array $focus, IndexAtEnd $index, PeriodRange $base): array
    {
        $turned = $of = 0;
        $example = '';
        [$then, $now] = [$index->means($base), $index->means($index->base)];
        $moved = [];
        foreach ($then as $key => $mean) {
            $moved[$key] = $now[$key] > 0.0 ? $mean / $now[$key] : NAN;
        }
        foreach ($focus as $line) {
            $mine = $moved[$line->key];
            foreach ($comparison->present() as $other) {
                if ($other->key === $line->key || $other->current !== $line->current || $line->current === null) {
                    continue;
                }
                $theirs = $moved[$other->key];
                if (is_nan($mine) || is_nan($theirs) || $mine <= 0.0 || $theirs <= 0.0) {
                    continue;
                }
                $of++;
                $is = $other->latest() <=> $line->latest();
                $would = $other->latest() / $theirs <=> $line->latest() / $mine;
                if ($is * $would < 0) {
                    $turned++;
                    $example =
                        $example === ''
                            ? "{$other->name} would end " . ($would > 0 ? 'above' : 'below') . " {$line->name}"
                            : $example;
                }
            }
        }

        return [$turned, $of, $example];
    }
}
