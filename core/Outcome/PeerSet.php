<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

use DuskRail\Data\Better;
use DuskRail\Data\Entity;
use DuskRail\Document\LineState;
use DuskRail\Peers\ChosenPeers;
use DuskRail\Peers\RankPosition;
use DuskRail\Rail\Conventions;
use DuskRail\Statistics\Quantile;

/**
 * Whom lines are compared with, and where each is among them. Every view, sentence and table asks here.
 *
 * The peers are the entities that take part, as a rule except home; or those of the set that was chosen. Who is in
 * focus makes no difference. A place is among all that take part, or among those of the set and the line itself. Whole
 * groups have their place among each other.
 */
final class PeerSet
{
    /** @var array<string, list<float>> values then, from the lowest, by kind of line and position */
    private array $sorted = [];

    /** @var array<string, array{float, float}> by kind of line and position */
    private array $yardsticks = [];

    /**
     * @param list<Line> $present that places are among: all that take part, or those of the set
     * @param list<Line> $groups whole groups that are drawn
     * @param list<Line> $peers those of the present that make up the median, the band and the gap
     */
    private function __construct(
        private readonly array $present,
        private readonly array $groups,
        private readonly array $peers,
        public readonly ChosenPeers $chosen,
        private readonly bool $lowerIsBetter,
        private readonly Conventions $conventions,
    ) {}

    /**
     * @param list<Line> $lines that take part
     * @param array<string, Entity> $entities that lines are of
     * @param list<string>|null $throughout keys of those that alone are peers, since they have a value throughout
     */
    public static function of(
        array $lines,
        array $entities,
        ChosenPeers $chosen,
        Better $better,
        Conventions $by,
        ?array $throughout = null,
    ): self {
        $own = array_values(array_filter($lines, static fn(Line $l): bool => !$l->isGroup()));
        $isPeer = static fn(Line $l): bool => (!isset($entities[$l->key]) || $chosen->isPeer($entities[$l->key])) &&
            ($throughout === null || in_array($l->key, $throughout, true));

        return new self(
            array_values(array_filter($own, static fn(Line $l): bool => !$l->isBenchmark() && $chosen->holds($l->key))),
            array_values(array_filter($lines, static fn(Line $l): bool => $l->isGroup())),
            array_values(array_filter($own, $isPeer)),
            $chosen,
            $better === Better::Lower,
            $by,
        );
    }

    /** @return list<list<float>> */
    public function values(): array
    {
        return array_map(static fn(Line $line): array => $line->values, $this->peers);
    }

    /** How many peers have a value at a position; of one line, those that it is compared with. */
    public function count(int $at, ?Line $of = null): int
    {
        return count($this->then('peers', $this->peers, $at, $this->stratum($of)));
    }

    /**
     * The peers that a line is compared with.
     *
     * @return list<list<float>>
     */
    public function valuesBeside(Line $line): array
    {
        $stratum = $this->stratum($line);
        $peers = array_filter($this->peers, fn(Line $l): bool => $this->stratum($l) === $stratum);

        return array_values(array_map(static fn(Line $l): array => $l->values, $peers));
    }

    private function stratum(?Line $line): string
    {
        return $line === null ? '' : $this->chosen->stratum($line->key);
    }

    /** Whether all that take part are the peers: no set is chosen, and nobody is home. */
    public function isAll(): bool
    {
        return count($this->peers) === count($this->present) && $this->chosen->isAll();
    }

    /** How many of them there are, with a value or without. */
    public function size(?Line $of = null): int
    {
        return $of === null ? count($this->peers) : count($this->valuesBeside($of));
    }

    /** Whether a line is one of its own peers: it is not home, and of the set if there is one. */
    public function has(Line $line): bool
    {
        return in_array($line->key, array_map(static fn(Line $l): string => $l->key, $this->peers), true);
    }

    /** Where a line is at a position; null where it has no value, or nobody to be compared with. */
    public function rankOf(Line $line, ?int $at): ?RankPosition
    {
        if ($at === null || is_nan($line->values[$at] ?? NAN)) {
            return null;
        }

        return RankPosition::among(
            $line->values[$at],
            $this->placedWith($line, $at),
            $this->yardsticks($at, $this->stratum($line)),
            $this->lowerIsBetter,
        );
    }

    /** The rank of a line at a position, 1 for the best; NAN where place() is null. */
    public function rank(Line $line, int $at): float
    {
        $value = $line->values[$at] ?? NAN;
        $all = is_nan($value) ? [] : $this->placedWith($line, $at);

        return count($all) < 2 ? NAN : (float) RankPosition::rank($value, $all, $this->lowerIsBetter);
    }

    /** @return list<float> values that a line has its place among, from the lowest, its own included */
    private function placedWith(Line $line, int $at): array
    {
        $values = $line->isGroup()
            ? $this->then('groups', $this->groups, $at)
            : $this->then('present', $this->present, $at, $this->stratum($line));
        if ($line->state === LineState::Off || !$this->isAmong($line)) {
            $values[] = $line->values[$at];
            sort($values);
        }

        return $values;
    }

    /** What a number of places is of, where it is not of all: ` in Upland`, or ` of itself and Upland`. */
    public function named(Line $line): string
    {
        return match (true) {
            $this->chosen->isAll() || $line->isGroup() => '',
            $this->chosen->holds($line->key) => $this->chosen->among,
            $this->chosen->isGroup => " of itself and {$this->chosen->name}",
            default => " of itself and the peers{$this->chosen->among}",
        };
    }

    /** Whether a place of the one counts the other: of all, or of the set and the line itself. */
    public function counts(Line $line, Line $other): bool
    {
        return $this->kind($other) === $this->kind($line) && ($other->key === $line->key || $this->isAmong($other));
    }

    /** Lines of one kind are placed among each other: groups apart from entities, and each stratum by itself. */
    public function kind(Line $line): string
    {
        return ($line->isGroup() ? 'groups ' : 'entities ') . $this->stratum($line);
    }

    /** Whether a line is counted by others of its kind. */
    public function isAmong(Line $line): bool
    {
        return $line->isGroup() || (!$line->isBenchmark() && $this->chosen->holds($line->key));
    }

    /** @return array{float, float} median and best quartile of the peers, NAN without any */
    private function yardsticks(int $at, string $stratum): array
    {
        $values = $this->then('peers', $this->peers, $at, $stratum);

        return $this->yardsticks["{$stratum} {$at}"] ??= [
            Quantile::of($values, 0.5),
            Quantile::of($values, $this->lowerIsBetter ? 0.25 : 0.75, $this->conventions->quantiles),
        ];
    }

    /**
     * @param list<Line> $lines
     * @return list<float>
     */
    private function then(string $kind, array $lines, int $at, string $stratum = ''): array
    {
        $kind .= " {$stratum} ";
        if (!isset($this->sorted["{$kind}{$at}"])) {
            $values = [];
            foreach ($lines as $line) {
                $value = $line->values[$at] ?? NAN;
                if (!is_nan($value) && ($stratum === '' || $this->stratum($line) === $stratum)) {
                    $values[] = $value;
                }
            }
            sort($values);
            $this->sorted["{$kind}{$at}"] = $values;
        }

        return $this->sorted["{$kind}{$at}"];
    }
}
