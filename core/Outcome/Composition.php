<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

use DuskRail\Data\Breakdown;
use DuskRail\Data\DataSource;
use DuskRail\Document\Parts\BreakdownsPart;
use DuskRail\Document\Parts\BreakdownView;
use DuskRail\Statistics\Ends;
use DuskRail\Statistics\Equality;

/** A line that stands for several, with the two ends of what it is made of: of categories, or of the members of a group. */
final readonly class Composition
{
    /** With more categories than so many, to calculate each would keep the page waiting. */
    private const MOST = 24;

    /**
     * @param string $of what the parts are: the name of a breakdown; nothing for members of a group
     * @param string $breakdown its key
     * @param array<string, Ends> $ends by name of the part, of those that have any value
     */
    private function __construct(public Line $whole, public string $of, public string $breakdown, public array $ends) {}

    /** @return list<self> for a line in focus each way that it is made of parts */
    public static function of(Comparison $comparison, Line $line): array
    {
        if ($line->isGroup()) {
            $isMember = static fn(Line $l): bool => "g:{$l->group}" === $line->key;

            return [self::amongLines($comparison, $line, '', $isMember)];
        }
        if ($comparison->brokenDown() !== null) {
            $key = $comparison->study->part(BreakdownsPart::class)->shownAs('lines');

            return $line->isBenchmark()
                ? [self::amongLines($comparison, $line, $key, static fn(Line $l): bool => !$l->isBenchmark())]
                : [];
        }
        $ways = [];
        $data = $comparison->wholeData();
        foreach ($data->splitBy($comparison->study->measure) as $key) {
            $breakdown = $data->breakdowns()[$key];
            $view = $comparison->study->part(BreakdownsPart::class)->of($key);
            $isWhole =
                $view->show === 'sum' ||
                ($view->show === 'one' &&
                    $breakdown->total !== '' &&
                    $comparison->study->part(BreakdownsPart::class)->held($breakdown) === $breakdown->total);
            if ($isWhole && count($breakdown->parts()) <= self::MOST) {
                $ways[] = self::amongCategories($comparison, $line, $breakdown, $data);
            }
        }

        return $ways;
    }

    /** @param callable(Line): bool $isPart */
    private static function amongLines(Comparison $comparison, Line $line, string $breakdown, callable $isPart): self
    {
        $ends = [];
        foreach ($comparison->lines as $other) {
            if ($other !== $line && !$other->isGroup() && $isPart($other)) {
                $ends += self::named($comparison, $other->name, $other->values, 0);
            }
        }

        return new self($line, $comparison->data->breakdowns()[$breakdown]->name ?? '', $breakdown, $ends);
    }

    private static function amongCategories(
        Comparison $comparison,
        Line $line,
        Breakdown $breakdown,
        DataSource $data,
    ): self {
        $part = $comparison->study->part(BreakdownsPart::class);
        $ends = [];
        foreach ($breakdown->parts() as $category => $name) {
            $study = $comparison->study->withPart(
                new BreakdownsPart([...$part->by, $breakdown->key => new BreakdownView('one', $category)]),
            );
            $scope = $study->scope($study->slice($data));
            $table = $study->rail->run($scope->table($study->measure), $scope)->table();
            $shift = $comparison->axis->first - $table->axis->first;
            $ends += self::named($comparison, $name, $table->series[$line->key]->values ?? [], $shift);
        }

        return new self($line, $breakdown->name, $breakdown->key, $ends);
    }

    /**
     * @param list<float> $values
     * @param int $shift from a position of the comparison to one of the values
     * @return array<string, Ends> none where there is no value
     */
    private static function named(Comparison $comparison, string $name, array $values, int $shift): array
    {
        $shown = [];
        for ($i = $comparison->from; $i <= $comparison->reference; $i++) {
            $shown[] = $values[$i + $shift] ?? NAN;
        }
        $isThere = array_filter($shown, static fn(float $v): bool => !is_nan($v)) !== [];

        return $isThere ? [$name => Ends::of($shown, $comparison->season())] : [];
    }

    /** Whether the whole went one way and every part the other; false where the two ends of a part are not known. */
    public function isReversed(Comparison $comparison): bool
    {
        $whole = $this->whole->ends($comparison->from, $comparison->season());
        $way = self::way($whole);
        foreach ($this->ends as $ends) {
            if (self::way($ends) !== -$way) {
                return false;
            }
        }

        return $way !== 0 && count($this->ends) > 1;
    }

    /** −1 for down, 1 for up, 0 for neither or not known; what rounding alone may have moved has not moved. */
    private static function way(Ends $ends): int
    {
        return is_nan($ends->change()) || Equality::holds($ends->first, $ends->last)
            ? 0
            : $ends->change() <=> 0.0;
    }
}
