<?php

declare(strict_types=1);

namespace DuskRail\Document;

/** What is written around the chart. Null where the program still writes it itself. */
final readonly class OwnWords
{
    public const PARTS = ['headline', 'subtitle', 'source'];

    public const LONGEST = 400;

    public function __construct(
        public ?string $headline = null,
        public ?string $subtitle = null,
        public ?string $source = null,
    ) {}

    /** @param string $text an empty text gives the part back to the program */
    public function with(string $part, string $text): self
    {
        $text = trim((string) preg_replace('/[ \t]+/', ' ', $text));
        if (!in_array($part, self::PARTS, true)) {
            throw InvalidStudy::because(
                "There is no “{$part}” around a chart; there are " . implode(', ', self::PARTS) . '.',
            );
        }
        if (mb_strlen($text) > self::LONGEST) {
            throw InvalidStudy::because(
                "The {$part} is longer than " . self::LONGEST . ' characters. Shorten it; the old text was kept.',
            );
        }
        $parts = [...$this->toArray(), $part => $text === '' ? null : $text];

        return new self($parts['headline'], $parts['subtitle'], $parts['source']);
    }

    /** @return array<string, string|null> */
    public function toArray(): array
    {
        return ['headline' => $this->headline, 'subtitle' => $this->subtitle, 'source' => $this->source];
    }
}
