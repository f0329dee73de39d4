<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

use DuskRail\Document\DataOffer;
use DuskRail\Document\Parts\Part;
use DuskRail\Document\Parts\PeersPart;
use DuskRail\Document\Parts\TonePart;
use DuskRail\Refusal;
use DuskRail\Settings\Condition;
use DuskRail\Settings\Declaration;
use DuskRail\Settings\Field;
use DuskRail\Settings\HasSettings;
use DuskRail\Settings\Names;
use DuskRail\Settings\Offer;
use DuskRail\Time\Cycle;

/** What a comparison offers the forms of its parts. */
final readonly class ComparisonOffer implements Offer
{
    private DataOffer $data;

    public function __construct(private Comparison $comparison)
    {
        $this->data = new DataOffer($comparison->data, $comparison->axis->frequency);
    }

    /**
     * The form of one part of the study.
     *
     * @param class-string<Part> $part
     * @return list<Field>
     */
    public static function fields(Comparison $comparison, string $part): array
    {
        return self::fieldsOf($comparison, $comparison->study->part($part));
    }

    /** @return list<Field> the form of anything with settings */
    public static function fieldsOf(Comparison $comparison, HasSettings $of): array
    {
        return Declaration::of($of::class)->fields($of, new self($comparison));
    }

    public function names(Names $of): array
    {
        if ($of !== Names::Lines) {
            return $this->data->names($of);
        }
        $names = [];
        foreach ($this->comparison->present() as $line) {
            $names[$line->key] = $line->name;
        }

        return $names;
    }

    /** Of a scatter: `x` along, `y` upwards, over all its points. */
    public function span(string $of): ?array
    {
        try {
            $scatter = Scattered::of($this->comparison);
        } catch (Refusal) {
            return null;
        }
        $points = [...$scatter->points, ...$scatter->leftOut];
        $values = array_map(static fn(ScatterPoint $p): float => $of === 'x' ? $p->x : $p->y, $points);

        return count($values) < 2 ? null : [min($values), max($values)];
    }

    public function periods(): string
    {
        return $this->data->periods();
    }

    public function holds(Condition $condition): bool
    {
        $study = $this->comparison->study;

        return match ($condition) {
            Condition::Days => Cycle::Week->divides($this->comparison->axis->frequency),
            Condition::Groups => $this->data->names(Names::Groups) !== [],
            Condition::Categories => $this->comparison->brokenDown() !== null,
            Condition::PeerSet => $study->part(PeersPart::class)->set !== '',
            Condition::Target => !$study->part(PeersPart::class)->target->isNone() ||
                $study->part(TonePart::class)->by === 'target',
            Condition::Calendar, Condition::Levels, Condition::CoarserMeasure => $this->data->holds($condition),
        };
    }
}
