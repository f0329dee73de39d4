<?php

declare(strict_types=1);

namespace DuskRail\Document;

use DuskRail\Document\Parts\LabelsPart;
use DuskRail\Document\Parts\LookPart;
use DuskRail\Document\Parts\Mark;
use DuskRail\Document\Parts\MarksPart;
use DuskRail\Document\Parts\Part;
use DuskRail\Document\Parts\PointsPart;
use DuskRail\Document\Parts\TextPart;
use DuskRail\Document\Parts\TonePart;
use DuskRail\Rail\Rail;
use DuskRail\Settings\InvalidSetting;

/**
 * How a study looks, apart from what it is about: lines, labels, colours and sizes, with the events and spells that are
 * marked. Taken from one study, it can be given to others.
 */
final readonly class Style
{
    /** @var list<class-string<Part>> */
    private const PARTS = [
        LookPart::class,
        PointsPart::class,
        LabelsPart::class,
        TonePart::class,
        TextPart::class,
        MarksPart::class,
    ];

    private function __construct(private PartSet $parts) {}

    public static function of(Study $study): self
    {
        $parts = new PartSet();
        foreach (self::PARTS as $class) {
            $parts = $parts->with($study->part($class));
        }
        $marks = $parts->of(MarksPart::class)->marks;

        return new self(
            $parts
                // Where single labels were put belongs to the data they stand at, and so does what colours part at.
                ->with($parts->of(LabelsPart::class)->with(['placed' => []]))
                ->with($parts->of(TonePart::class)->with(['middle' => null]))
                // Values and points belong to the data; what happened, and when, is the same for all.
                ->with(new MarksPart(array_values(array_filter($marks, static fn(Mark $m): bool => $m->isOfTime())))),
        );
    }

    /**
     * @param array<array-key, mixed> $finish as toArray() gives it
     *
     * @throws InvalidSetting
     */
    public static function read(array $finish): self
    {
        $parts = new PartSet();
        foreach (self::PARTS as $class) {
            $settings = $finish[$class::name()] ?? [];
            $parts = $parts->with($class::from(is_array($settings) ? $settings : []));
        }

        return self::of(new Study('', '', Rail::of(), parts: $parts));
    }

    /** @return array<string, array<array-key, mixed>> settings by name of the part */
    public function toArray(): array
    {
        $all = [];
        foreach (self::PARTS as $class) {
            $all[$class::name()] = $this->parts->of($class)->settings();
        }

        return $all;
    }

    public function withText(TextPart $text): self
    {
        return new self($this->parts->with($text));
    }

    public function textSize(): string
    {
        return $this->parts->of(TextPart::class)->size;
    }

    /** @throws InvalidSetting when there would be more marks than anybody reads */
    public function givenTo(Study $study): Study
    {
        $marks = $study->part(MarksPart::class)->marks;
        foreach ($this->parts->of(MarksPart::class)->marks as $mark) {
            if (!in_array($mark, $marks, false)) {
                $marks[] = $mark;
            }
        }

        return $study
            ->withPart($this->parts->of(LookPart::class))
            ->withPart($this->parts->of(PointsPart::class))
            ->withPart($this->parts->of(LabelsPart::class)->with(['placed' => $study->part(LabelsPart::class)->placed]))
            ->withPart($this->parts->of(TonePart::class)->with(['middle' => $study->part(TonePart::class)->middle]))
            ->withPart($this->parts->of(TextPart::class))
            ->withPart(MarksPart::from(['marks' => $marks]));
    }
}
