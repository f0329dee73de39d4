<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

use DuskRail\Data\Members;
use DuskRail\Data\Presence;
use DuskRail\Document\Parts\ContributionsPart;
use DuskRail\Statistics\Total;

/** What each line, or each group of lines, puts into a whole at one of two times. */
final readonly class ContributionEnd
{
    /**
     * @param array<string, Line> $lines that make the whole
     * @param array<string, array{float, float}> $inputs amount and denominator per period, by key; without lines that
     *     are not there
     * @param array<string, list<float>> $sizes measures that amounts are taken per, by key
     * @param array<string, true> $lacking keys of lines that go on and lack a value
     */
    private function __construct(
        public Comparison $comparison,
        public array $lines,
        public array $inputs,
        public array $sizes,
        public array $lacking,
    ) {}

    /** @param non-empty-list<int> $positions */
    public static function of(Comparison $comparison, Whole $whole, array $positions): self
    {
        $lines = [];
        foreach ($comparison->present() as $line) {
            if (!$line->isGroup() && !$line->isBenchmark()) {
                $lines[$line->key] = $line;
            }
        }
        $end = min($comparison->reference, $comparison->to) + 1;
        $rows = array_map(static fn(Line $line): array => array_slice($line->values, 0, $end), $lines);
        $members = Members::of($rows, $comparison->axis->frequency);
        $weights = $whole === Whole::Ratio ? $comparison->weights() ?? [] : [];
        $inputs = $lacking = [];
        foreach ($rows as $key => $values) {
            $presences = [];
            foreach ($positions as $at) {
                $presences[$at] = $members->presence((string) $key, $at);
            }
            $own = $whole === Whole::Ratio ? $weights[$key] ?? [] : null;
            $input = self::input($values, $own, $presences, $whole === Whole::Sum);
            if ($input === null) {
                $lacking[$key] = true;
            } elseif ($input !== []) {
                $inputs[$key] = $input;
            }
        }
        $part = $comparison->study->part(ContributionsPart::class);
        $sizes = $whole === Whole::Sum ? FactorsOfAmounts::sizes($comparison, $part, $positions) : [];

        return new self($comparison, $lines, $inputs, array_intersect_key($sizes, $inputs), $lacking);
    }

    /**
     * @param list<float> $values
     * @param list<float>|array{}|null $weights null where each value counts the same
     * @param non-empty-array<int, Presence> $presences by position
     * @return array{float, float}|array{}|null nothing for one that is not there, null for one that lacks a value
     */
    private static function input(array $values, ?array $weights, array $presences, bool $isSum): ?array
    {
        $above = new Total();
        $below = new Total();
        $isThere = false;
        foreach ($presences as $at => $presence) {
            if (!$presence->belongs()) {
                continue;
            }
            $weight = $weights === null ? 1.0 : $weights[$at] ?? NAN;
            if ($presence !== Presence::There || is_nan($weight)) {
                return null;
            }
            $isThere = true;
            $above->add($values[$at] * $weight);
            $below->add($weight);
        }
        $each = (float) count($presences);

        return match (true) {
            !$isThere => [],
            $below->value() <= 0.0 => null,
            default => [$above->value() / $each, $isSum ? 1.0 : $below->value() / $each],
        };
    }

    /** @param array<string, mixed> $keys of lines that are left out */
    public function without(array $keys): self
    {
        return new self(
            $this->comparison,
            $this->lines,
            array_diff_key($this->inputs, $keys),
            array_diff_key($this->sizes, $keys),
            $this->lacking,
        );
    }

    /** The same with all lines of a group together, by the name of the group. */
    public function byGroup(): self
    {
        $groups = array_map(static fn(Line $l): string => $l->group === '' ? 'No group' : $l->group, $this->lines);
        /** @var array<string, array{float, float}> $inputs */
        $inputs = self::gathered($this->inputs, $groups);

        return new self($this->comparison, [], $inputs, self::gathered($this->sizes, $groups), []);
    }

    /**
     * @param array<string, list<float>> $known by line
     * @param array<string, string> $groups by line
     * @return array<string, list<float>> sums by group
     */
    private static function gathered(array $known, array $groups): array
    {
        $gathered = [];
        foreach ($known as $key => $values) {
            foreach ($values as $i => $value) {
                $gathered[$groups[$key]][$i] = ($gathered[$groups[$key]][$i] ?? 0.0) + $value;
            }
        }

        return array_map(array_values(...), $gathered);
    }

    /** What a member is called. */
    public function nameOf(string $key): ?string
    {
        return $this->lines[$key]->name ?? null;
    }
}
