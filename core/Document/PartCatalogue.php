<?php

declare(strict_types=1);

namespace DuskRail\Document;

use DuskRail\Document\Parts\Part;

/** The parts of a study, in the order in which documents have them. A new part is named here. */
final class PartCatalogue
{
    /** @var list<class-string<Part>> */
    private const PARTS = [
        Parts\LinesPart::class,
        Parts\BreakdownsPart::class,
        Parts\PeersPart::class,
        Parts\ConventionsPart::class,
        Parts\AxisPart::class,
        Parts\LookPart::class,
        Parts\PointsPart::class,
        Parts\OverlayPart::class,
        Parts\PanelsPart::class,
        Parts\StackPart::class,
        Parts\ContributionsPart::class,
        Parts\BeforeAfterPart::class,
        Parts\SparksPart::class,
        Parts\ScatterPart::class,
        Parts\RulePart::class,
        Parts\FiguresPart::class,
        Parts\MarksPart::class,
        Parts\LabelsPart::class,
        Parts\VariationPart::class,
        Parts\TurnsPart::class,
        Parts\ProjectionPart::class,
        Parts\TonePart::class,
        Parts\TextPart::class,
    ];

    /** @return array<string, class-string<Part>> by name */
    public static function all(): array
    {
        $byName = [];
        foreach (self::PARTS as $class) {
            $byName[$class::name()] = $class;
        }

        return $byName;
    }

    /**
     * @return class-string<Part>
     *
     * @throws InvalidStudy
     */
    public static function named(string $name): string
    {
        return self::all()[$name] ??
            throw InvalidStudy::because(
                'There is no such part of a study: “' . mb_strimwidth($name, 0, 40, '…') . '”.',
            );
    }
}
