<?php

declare(strict_types=1);

namespace DuskRail\Chart;

/** Text on one line, in one or more colours. */
final readonly class Words implements Mark
{
    /**
     * @param list<array{text: string, ink: Ink, weight: int}> $runs
     * @param 'start'|'middle'|'end' $anchor
     */
    private function __construct(
        public float $x,
        public float $y,
        public array $runs,
        public Type $type,
        public string $anchor,
        public bool $halo = false,
    ) {}

    /** With a rim of the sheet's colour, to be read over lines. */
    public function haloed(): self
    {
        return new self($this->x, $this->y, $this->runs, $this->type, $this->anchor, true);
    }

    /**
     * @param float $y of the base line
     * @param 'start'|'middle'|'end' $anchor
     */
    public static function plain(float $x, float $y, string $text, Type $type, Ink $ink, string $anchor = 'start'): self
    {
        return new self($x, $y, [['text' => $text, 'ink' => $ink, 'weight' => $type->weight]], $type, $anchor);
    }

    /** @param list<array{text: string, ink: Ink, weight: int}> $runs */
    public static function runs(float $x, float $y, array $runs, Type $type): self
    {
        return new self($x, $y, $runs, $type, 'start');
    }

    /** A text cut to the room there is, but not below so many letters. */
    public static function fitting(TextMeasure $measure, string $text, Type $type, float $room, int $least = 4): string
    {
        while (mb_strlen($text) > $least && $measure->width($text, $type) > $room) {
            $text = rtrim(mb_substr($text, 0, mb_strlen(rtrim($text, '…')) - 1)) . '…';
        }

        return $text;
    }

    public function text(): string
    {
        return implode('', array_column($this->runs, 'text'));
    }
}
