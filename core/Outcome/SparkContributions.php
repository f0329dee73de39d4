<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

use DuskRail\Document\Parts\SparksPart;
use DuskRail\Refusal;
use DuskRail\Statistics\Total;

/** What each row of the Sparks view contributes to the change of all, where that is asked for. */
final readonly class SparkContributions
{
    /**
     * @param Contributed|null $contributed null where the lines make no whole
     * @param string $refusal why they do not
     * @param array<array-key, float> $changes by line, and by whole group under `g:` and its name
     */
    private function __construct(
        public ?Contributed $contributed,
        public string $refusal = '',
        private array $changes = [],
    ) {}

    /** Null where contributions are not asked for. */
    public static function of(Comparison $comparison): ?self
    {
        if (!$comparison->study->part(SparksPart::class)->contributions) {
            return null;
        }
        try {
            $contributed = Contributed::of($comparison);
        } catch (Refusal $problem) {
            return new self(null, $problem->getMessage());
        }
        $changes = $groups = [];
        foreach ($contributed->members as $row) {
            $changes[$row->key] = $row->change;
            if ($row->line !== null) {
                $groups[$row->line->group] ??= new Total();
                $groups[$row->line->group]->add($row->change);
            } else {
                // Where groups are the members, they are known by their names.
                $changes["g:{$row->key}"] = $row->change;
            }
        }
        foreach ($groups as $group => $sum) {
            $changes["g:{$group}"] = $sum->value();
        }

        return new self($contributed, '', $changes);
    }

    /** What a line, or a whole group, adds to the change; NAN where it is not known at both ends. */
    public function change(SparkRow $row): float
    {
        return $this->changes[$row->line->key] ?? NAN;
    }
}
