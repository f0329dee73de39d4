<?php

declare(strict_types=1);

namespace DuskRail\Chart;

use DuskRail\Outcome\Contributed;
use DuskRail\Outcome\ContributionRow;
use DuskRail\Outcome\Whole;
use DuskRail\Statistics\ContributionTerm as Term;
use DuskRail\Words\ContributionWords;

/** The lanes of a bar: what one term moved, and from there the next, so that each is seen whatever its sign. */
final readonly class ContributionLanes
{
    private const STRENGTHS = [0.9, 0.5, 0.25];

    /** @param array<string, list<Term>> $lanes terms that are in one lane together, by the name of the lane */
    private function __construct(private array $lanes) {}

    public static function of(Contributed $contributed): self
    {
        $name = static fn(Term $term): string => ContributionWords::term($contributed, $term);
        $composition = array_values(array_filter(Term::cases(), static fn(Term $t): bool => $t->isComposition()));
        $lanes = [];
        if ($contributed->whole === Whole::Ratio) {
            $lanes = ContributionWords::isBetweenEntities($contributed)
                ? ['difference of the rates' => [Term::Rate], 'difference of the weights' => $composition]
                : ['change of its own rate' => [Term::Rate], 'change of its weight' => $composition];
        }
        foreach ([Term::First, Term::Second, Term::Third] as $term) {
            if ($name($term) !== '') {
                $lanes['change of ' . lcfirst($name($term))] = [$term];
            }
        }

        return new self($lanes);
    }

    /** @return list<array{string, float}> name and strength, where there are several */
    public function names(): array
    {
        return array_map(
            static fn(string $name, int $i): array => [$name, self::STRENGTHS[$i]],
            array_keys($this->lanes),
            array_keys(array_values($this->lanes)),
        );
    }

    /** @return non-empty-list<array{float, float}> length and strength of each lane of a row; one where it is not taken apart */
    public function ofRow(ContributionRow $row): array
    {
        $lengths = [];
        foreach (array_values($this->lanes) as $i => $terms) {
            $length = array_sum(array_map($row->term(...), $terms));
            if ($length !== 0.0) {
                $lengths[] = [$length, self::STRENGTHS[$i]];
            }
        }
        $rest = $row->term(Term::Amount) + ($this->isOfRates() ? 0.0 : $row->composition());
        if ($rest !== 0.0 || $lengths === []) {
            $lengths[] = [$rest, self::STRENGTHS[0]];
        }

        return $lengths;
    }

    private function isOfRates(): bool
    {
        foreach ($this->lanes as $terms) {
            if ($terms === [Term::Rate]) {
                return true;
            }
        }

        return false;
    }

    /** @return non-empty-list<float> all values that bars start or end at */
    public function path(Contributed $contributed): array
    {
        $value = $contributed->result->before;
        $path = [$value, $contributed->result->after];
        foreach ($contributed->rows as $row) {
            $at = $value;
            foreach ($this->ofRow($row) as [$length]) {
                $at += $length;
                $path[] = $at;
            }
            $value += $row->change;
            $path[] = $value;
        }

        return $path;
    }
}
