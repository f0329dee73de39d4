<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

use DuskRail\Statistics\Contribution;
use DuskRail\Statistics\ContributionTerm;
use DuskRail\Statistics\Total;

/** One bar of a change: a member by itself, or several together. */
final readonly class ContributionRow
{
    /** Begins the key of members that are shown together. */
    public const TOGETHER = '~';

    /**
     * @param list<Contribution> $of one, or those of all that are together
     * @param Line|null $line null for a group, and for several together
     * @param list<string> $names of those that are together
     */
    private function __construct(
        public string $key,
        public string $name,
        public float $change,
        public array $of,
        public ?Line $line,
        public array $names,
    ) {}

    public static function of(Contribution $contribution, string $name, ?Line $line): self
    {
        return new self($contribution->key, $name, $contribution->change, [$contribution], $line, [$name]);
    }

    /** @param non-empty-list<self> $rows that moved the same way */
    public static function together(array $rows): self
    {
        $sum = new Total();
        foreach ($rows as $row) {
            $sum->add($row->change);
        }
        $way = $sum->value() < 0.0 ? 'fell' : ($sum->value() > 0.0 ? 'rose' : 'did not change');

        return new self(
            self::TOGETHER . $way,
            count($rows) . " others {$way}",
            $sum->value(),
            array_merge(...array_map(static fn(self $row): array => $row->of, $rows)),
            null,
            array_map(static fn(self $row): string => $row->name, $rows),
        );
    }

    /** Null where several are together. */
    public function own(): ?Contribution
    {
        return count($this->of) === 1 ? $this->of[0] : null;
    }

    public function hue(): int
    {
        return $this->line->hue ?? 0;
    }

    public function term(ContributionTerm $term): float
    {
        $sum = new Total();
        foreach ($this->of as $contribution) {
            $sum->add($contribution->term($term));
        }

        return $sum->value();
    }

    /** What came about by who is in the whole and with how much weight. */
    public function composition(): float
    {
        $sum = new Total();
        foreach (ContributionTerm::cases() as $term) {
            if ($term->isComposition()) {
                $sum->add($this->term($term));
            }
        }

        return $sum->value();
    }
}
