<?php

declare(strict_types=1);

namespace DuskRail\Rail;

use DuskRail\Data\Entity;
use DuskRail\Data\Measure;
use DuskRail\Data\MeasureKind;
use DuskRail\Data\Nature;
use DuskRail\Data\SeriesTable;
use DuskRail\Data\Spacing;
use DuskRail\Settings\Condition;
use DuskRail\Settings\Declaration;
use DuskRail\Settings\Field;
use DuskRail\Settings\Names;
use DuskRail\Settings\Offer;
use DuskRail\Time\Frequency;

/** What the data that arrive at a stop offer its form. */
final readonly class RunOffer implements Offer
{
    private function __construct(private Stop $stop, private SeriesTable $arriving, private Scope $scope) {}

    /** @return list<Field> of a stop, for what arrives at it */
    public static function fields(Stop $stop, SeriesTable $arriving, Scope $scope): array
    {
        return Declaration::of($stop::class)->fields($stop, self::of($stop, $arriving, $scope));
    }

    public static function of(Stop $stop, SeriesTable $arriving, Scope $scope): self
    {
        return new self($stop, $arriving, $scope);
    }

    public function names(Names $of): array
    {
        $measures = $this->scope->measures();

        return match ($of) {
            Names::Entities => array_map(static fn(Entity $e): string => $e->name, $this->scope->entities()),
            Names::Measures => array_map(static fn(Measure $m): string => $m->name, $measures),
            Names::Denominators => self::named(array_filter($measures, static fn(Measure $m): bool => $m->canDivide())),
            Names::PriceIndices => self::named(Stops\RealTerms::candidates($this->scope)),
            Names::Attributes => $this->attributes(),
            Names::LongerPeriods => $this->longerPeriods(),
            Names::Sizes,
            Names::Groups,
            Names::PeerSets,
            Names::MemberSets,
            Names::Lines,
            Names::Locales
                => [],
        };
    }

    public function span(string $of): ?array
    {
        return null;
    }

    public function periods(): string
    {
        return $this->arriving->axis->frequency === Frequency::Number
            ? 'values'
            : "{$this->arriving->axis->frequency->noun()}s";
    }

    public function holds(Condition $condition): bool
    {
        return match ($condition) {
            Condition::Calendar => $this->arriving->axis->frequency !== Frequency::Number,
            Condition::Levels => Spacing::of($this->arriving)->isIrregular ||
                ($this->arriving->kind === MeasureKind::Stock && $this->arriving->nature !== Nature::Daily),
            Condition::CoarserMeasure => $this->hasCoarserMeasure(),
            Condition::Days,
            Condition::Groups,
            Condition::Categories,
            Condition::PeerSet,
            Condition::Target
                => false,
        };
    }

    private function hasCoarserMeasure(): bool
    {
        $key = $this->stop->settings()['measure'] ?? '';
        $measure = is_string($key) ? $this->scope->measures()[$key] ?? null : null;

        return $measure !== null &&
            !$measure->isTimeless &&
            $this->arriving->axis->frequency->isFinerThan($measure->frequency);
    }

    /**
     * @param array<string, Measure> $measures
     * @return array<string, string>
     */
    private static function named(array $measures): array
    {
        return array_map(static fn(Measure $m): string => $m->name, $measures);
    }

    /** @return array<array-key, string> */
    private function attributes(): array
    {
        $names = [];
        foreach ($this->scope->entities() as $entity) {
            foreach (array_keys($entity->attributes) as $name) {
                $names[(string) $name] = (string) $name;
            }
        }
        unset($names['group']);

        return $names;
    }

    /** @return array<string, string> */
    private function longerPeriods(): array
    {
        $names = [];
        foreach (Frequency::cases() as $frequency) {
            if (
                $frequency !== Frequency::Number &&
                $frequency !== Frequency::FiscalYear &&
                // A week belongs to the year of its Thursday, and to no month.
                ($frequency === Frequency::Year || $this->arriving->axis->frequency !== Frequency::Week) &&
                $this->arriving->axis->frequency->isFinerThan($frequency)
            ) {
                $names[$frequency->value] = "{$frequency->value}s";
            }
        }

        return $names;
    }
}
