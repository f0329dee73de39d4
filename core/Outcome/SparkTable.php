<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

use DuskRail\Document\Parts\LinesPart;
use DuskRail\Document\Parts\SparksPart;
use DuskRail\Document\Study;

/** The lines of a comparison as rows, by group with what each group comes to together. */
final readonly class SparkTable
{
    private const FACTS = 3;

    /** Beside what rows contribute there is room for one. */
    private const FACTS_BESIDE = 1;

    /**
     * @param array<string, list<SparkRow>> $groups rows by group, in the order asked for; all under an empty name
     *     when they are not grouped
     * @param array<string, SparkRow> $totals what a group comes to: the sum, or the ratio of sums
     * @param SparkContributions|null $contributions what each row adds to the change of all, where that is asked for
     */
    private function __construct(
        public Comparison $comparison,
        public array $groups,
        public array $totals,
        public ?SparkContributions $contributions,
    ) {}

    /** @return list<string> the first attributes of the entities, which are shown beside the names; not their group */
    public function facts(): array
    {
        $all = [];
        foreach ($this->comparison->data->entities() as $entity) {
            $all += $entity->attributes;
        }
        $facts = array_slice(
            array_map(strval(...), array_keys($all)),
            0,
            $this->contributions === null ? self::FACTS : self::FACTS_BESIDE,
        );

        return array_values(
            array_filter($facts, static fn(string $f): bool => !in_array(mb_strtolower($f), ['group', 'region'], true)),
        );
    }

    /** Whether the rows say if lines get to a target by a date. */
    public function hasProspects(): bool
    {
        return $this->comparison->outlooks->hasDates();
    }

    /** Whether the line of a row gets to its target, in words. */
    public function prospect(SparkRow $row): string
    {
        $outlook = $this->comparison->outlooks->of($row->line);

        return $outlook === null || !$outlook->hasTarget() ? '' : $outlook->prospect->value;
    }

    public static function of(Study $study, Comparison $comparison): self
    {
        $part = $study->part(SparksPart::class);
        $names = array_values(
            array_unique(
                array_filter(
                    array_map(static fn(Line $l): string => $l->isGroup() ? '' : $l->group, $comparison->lines),
                ),
            ),
        );
        $contributions = SparkContributions::of($comparison);
        $totals = [];
        if ($part->grouped && count($names) > 1 && $study->part(LinesPart::class)->across === 'entities') {
            // Groups are calculated along the whole rail, not added up at its end.
            $comparison = Comparison::of(
                $study->withPart($study->part(LinesPart::class)->with(['across' => 'entities', 'groups' => $names])),
                $comparison->data->source(),
            );
            $courses = $comparison->courses;
            foreach ($comparison->lines as $line) {
                if ($line->isGroup()) {
                    $totals[$line->name] = new SparkRow($line, null, $courses->course($line));
                }
            }
        }
        $courses = $comparison->courses;
        $rows = [];
        foreach ($comparison->present() as $line) {
            if (!$line->isGroup()) {
                $rows[$totals === [] ? '' : $line->group][] = new SparkRow(
                    $line,
                    $comparison->peers->rankOf($line, $line->current)?->rank,
                    $courses->course($line),
                );
            }
        }
        ksort($rows);

        return new self(
            $comparison,
            array_map(static fn(array $group): array => self::sorted($group, $part->sort, $part->downward), $rows),
            $totals,
            $contributions,
        );
    }

    /**
     * @param list<SparkRow> $rows
     * @return list<SparkRow>
     */
    private static function sorted(array $rows, string $by, bool $downward): array
    {
        $of = static fn(SparkRow $row): float => match ($by) {
            'latest' => $row->line->latest(),
            'change' => $row->course->change,
            'growth' => $row->course->growth,
            'rank' => (float) ($row->rank ?? NAN),
            'trend' => $row->course->slope,
            default => 0.0,
        };
        usort($rows, static function (SparkRow $a, SparkRow $b) use ($of, $by, $downward): int {
            $byName = strnatcasecmp($a->line->name, $b->line->name);
            if ($by === 'name') {
                return $downward ? -$byName : $byName;
            }
            [$x, $y] = [$of($a), $of($b)];
            // What has no value comes last either way.
            if (is_nan($x) || is_nan($y)) {
                return is_nan($x) <=> is_nan($y) ?: $byName;
            }

            $order = $downward ? $y <=> $x : $x <=> $y;

            return $order ?: $byName;
        });

        return $rows;
    }
}
