<?php

declare(strict_types=1);

namespace DuskRail\Document;

use DuskRail\Data\DataSource;
use DuskRail\Data\Entity;
use DuskRail\Data\Measure;
use DuskRail\Settings\Condition;
use DuskRail\Settings\Names;
use DuskRail\Settings\Offer;
use DuskRail\Time\Frequency;

/** What a data set offers to choose from, before anything is calculated. */
final readonly class DataOffer implements Offer
{
    public function __construct(private DataSource $data, private Frequency $frequency) {}

    public static function of(Study $study, DataSource $data): self
    {
        return new self($data, $data->measures()[$study->measure]->frequency ?? Frequency::Number);
    }

    public function names(Names $of): array
    {
        $measures = $this->data->measures();

        return match ($of) {
            Names::Entities => array_map(static fn(Entity $e): string => $e->name, $this->data->entities()),
            Names::Measures, Names::Denominators, Names::PriceIndices => self::named($measures),
            Names::Sizes => self::named(array_filter($measures, static fn(Measure $m): bool => $m->canDivide())),
            Names::Groups => $this->groups(),
            Names::PeerSets => $this->peerSets(),
            Names::MemberSets => [...$this->peerSets(), ...AttributeValues::offered($this->data->entities())],
            Names::Attributes, Names::Lines, Names::LongerPeriods, Names::Locales => [],
        };
    }

    public function span(string $of): ?array
    {
        return null;
    }

    public function periods(): string
    {
        return $this->frequency === Frequency::Number ? 'values' : "{$this->frequency->noun()}s";
    }

    public function holds(Condition $condition): bool
    {
        return $condition === Condition::Calendar && $this->frequency !== Frequency::Number;
    }

    /**
     * @param array<string, Measure> $measures
     * @return array<string, string>
     */
    private static function named(array $measures): array
    {
        return array_map(static fn(Measure $m): string => $m->name, $measures);
    }

    /** @return array<string, string> groups, where there are several, and the sets that were defined */
    private function peerSets(): array
    {
        $sets = [];
        $groups = $this->groups();
        foreach (count($groups) > 1 ? $groups : [] as $group) {
            $sets["group:{$group}"] = "Group {$group}";
        }
        foreach ($this->data->peerSets() as $set) {
            $sets["set:{$set->key}"] = $set->name;
        }

        return $sets;
    }

    /** @return array<array-key, string> */
    private function groups(): array
    {
        $groups = [];
        foreach ($this->data->entities() as $entity) {
            if ($entity->group !== '') {
                $groups[$entity->group] = $entity->group;
            }
        }

        return $groups;
    }
}
