<?php

declare(strict_types=1);

namespace DuskRail\Rail;

use DuskRail\Data\Entity;
use DuskRail\Data\Measure;
use DuskRail\Data\MeasureKind;
use DuskRail\Data\SeriesTable;
use DuskRail\Data\Spacing;
use DuskRail\Settings\Declaration;
use DuskRail\Settings\Field;
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

    public function names(string $sort): array
    {
        $measures = $this->scope->measures();

        return match ($sort) {
            'entities' => array_map(static fn(Entity $e): string => $e->name, $this->scope->entities()),
            'measures' => array_map(static fn(Measure $m): string => $m->name, $measures),
            'denominators' => self::named(array_filter($measures, static fn(Measure $m): bool => $m->canDivide())),
            'price indices' => self::named(Stops\RealTerms::candidates($this->scope)),
            'attributes' => $this->attributes(),
            'coarser periods' => $this->coarser(),
            default => [],
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

    /** `calendar`, `stock`, and `coarser:` with the name of a setting that holds a measure of longer periods. */
    public function holds(string $condition): bool
    {
        [$what, $setting] = [...explode(':', $condition, 2), ''];
        $key = $this->stop->settings()[$setting] ?? '';
        $measure = is_string($key) ? $this->scope->measures()[$key] ?? null : null;

        return match ($what) {
            'calendar' => $this->arriving->axis->frequency !== Frequency::Number,
            'stock' => $this->arriving->kind === MeasureKind::Stock || Spacing::of($this->arriving)->isIrregular,
            'coarser' => $measure !== null && $this->arriving->axis->frequency->isFinerThan($measure->frequency),
            default => false,
        };
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
    private function coarser(): array
    {
        $names = [];
        foreach (Frequency::cases() as $frequency) {
            if (
                $frequency !== Frequency::Number &&
                $frequency !== Frequency::FiscalYear &&
                $this->arriving->axis->frequency->isFinerThan($frequency)
            ) {
                $names[$frequency->value] = "{$frequency->value}s";
            }
        }

        return $names;
    }
}
