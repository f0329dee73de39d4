<?php

declare(strict_types=1);

namespace DuskRail\Study;

use DuskRail\Rail\InvalidSetting;
use DuskRail\Study\Parts\LabelsPart;
use DuskRail\Study\Parts\LookPart;
use DuskRail\Study\Parts\MarksPart;
use DuskRail\Study\Parts\TextPart;
use DuskRail\Study\Parts\TonePart;

/**
 * How a study looks, apart from what it is about: lines, labels, colours and sizes, with the events and spells that are
 * marked. Taken from one study, it can be given to others.
 */
final readonly class Finish
{
    private function __construct(private LookPart $look, private LabelsPart $labels, private TonePart $tone, private TextPart $text, private MarksPart $marks) {}

    public static function of(Study $study): self
    {
        return self::read(['look' => $study->look->toArray(), 'labels' => $study->labels->toArray(), 'tone' => $study->tone->toArray(), 'text' => $study->text->toArray(), 'marks' => $study->marks->toArray()]);
    }

    /**
     * @param array<array-key, mixed> $finish as toArray() gives it
     *
     * @throws InvalidSetting
     */
    public static function read(array $finish): self
    {
        $part = static fn(string $name): array => is_array($finish[$name] ?? null) ? $finish[$name] : [];
        $marks = MarksPart::read($part('marks'))->marks;

        return new self(
            LookPart::read($part('look')),
            // Where single labels were put belongs to the figures they stand at.
            LabelsPart::read([...$part('labels'), 'placed' => []]),
            TonePart::read([...$part('tone'), 'middle' => null]),
            TextPart::read($part('text')),
            // Values and points belong to the figures; what happened, and when, is the same for all.
            new MarksPart(array_values(array_filter($marks, static fn(array $mark): bool => in_array($mark['kind'], ['event', 'spell'], true)))),
        );
    }

    /** @return array<string, array<array-key, mixed>> */
    public function toArray(): array
    {
        return ['look' => $this->look->toArray(), 'labels' => $this->labels->toArray(), 'tone' => $this->tone->toArray(), 'text' => $this->text->toArray(), 'marks' => $this->marks->toArray()];
    }

    public function withText(TextPart $text): self
    {
        return new self($this->look, $this->labels, $this->tone, $text, $this->marks);
    }

    public function textSize(): string
    {
        return $this->text->size;
    }

    /** @throws InvalidSetting when there would be more marks than anybody reads */
    public function givenTo(Study $study): Study
    {
        $marks = $study->marks->marks;
        foreach ($this->marks->marks as $mark) {
            if (! in_array($mark, $marks, true)) {
                $marks[] = $mark;
            }
        }

        return $study
            ->withPart('look', $this->look)
            ->withPart('labels', LabelsPart::read([...$this->labels->toArray(), 'placed' => $study->labels->placed]))
            ->withPart('tone', TonePart::read([...$this->tone->toArray(), 'middle' => $study->tone->middle]))
            ->withPart('text', $this->text)
            ->withPart('marks', MarksPart::read(['marks' => $marks]));
    }
}
