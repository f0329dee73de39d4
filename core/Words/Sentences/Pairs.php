<?php

declare(strict_types=1);

namespace DuskRail\Words\Sentences;

use DuskRail\Document\LineState;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Line;

/**
 * What a line in focus is seen beside: the others in focus, what stands for all peers, and benchmarks. Only pairs that
 * both have a value in the reference period.
 */
final readonly class Pairs
{
    /** So many are enough to be seen beside. */
    private const BENCHMARKS = 3;

    /**
     * @param list<float> $values
     * @param list<float> $others
     * @param list<int> $common positions shown up to the reference period at which both have a value
     * @param bool $cut whether both have values before what is shown
     */
    private function __construct(
        public string $name,
        public array $values,
        public string $other,
        public array $others,
        public array $common,
        public bool $cut,
    ) {}

    /** @return list<self> */
    public static function of(Comparison $comparison): array
    {
        $pairs = [];
        $focus = $comparison->focus();
        $isBenchmark = static fn(Line $l): bool => $l->isBenchmark() && $l->state === LineState::Peer;
        $benchmarks = array_slice(array_values(array_filter($comparison->lines, $isBenchmark)), 0, self::BENCHMARKS);
        foreach ($focus as $i => $line) {
            foreach (array_slice($focus, $i + 1) as $other) {
                $pairs[] = self::pair($comparison, $line, $other->name, $other->values);
            }
            if ($comparison->peerLine !== [] && $comparison->peers->count($comparison->reference) > 1) {
                $name =
                    'the ' . lcfirst($comparison->peerLineName());
                $pairs[] = self::pair($comparison, $line, $name, $comparison->peerLine);
            }
            foreach ($benchmarks as $other) {
                $pairs[] = self::pair($comparison, $line, $other->name, $other->values);
            }
        }

        return array_values(
            array_filter($pairs, static fn(self $pair): bool => in_array($comparison->reference, $pair->common, true)),
        );
    }

    /** @param list<float> $others */
    private static function pair(Comparison $comparison, Line $line, string $other, array $others): self
    {
        $common = [];
        $cut = false;
        for ($i = 0; $i <= $comparison->reference; $i++) {
            if (!is_nan($line->values[$i]) && !is_nan($others[$i])) {
                if ($i < $comparison->from) {
                    $cut = true;
                } else {
                    $common[] = $i;
                }
            }
        }

        return new self($line->name, $line->values, $other, $others, $common, $cut);
    }
}
