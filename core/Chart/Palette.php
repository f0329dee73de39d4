<?php

declare(strict_types=1);

namespace DuskRail\Chart;

/**
 * Which colour each ink is, on a day or a night ground. The style sheet of the pages is written from here too.
 *
 * The focus hues come out of bench/choose-hues.php, the scales out of bench/choose-tones.php; what they promise is
 * tested.
 */
final readonly class Palette
{
    private const DAY = [
        'ground' => '#fbf7f1',
        'sheet' => '#fffdf9',
        'ink' => '#2b2036',
        'quiet' => '#665c71',
        'hair' => '#e6ddd6',
        'tint' => '#f4ebe3',
        'rail' => '#44325a',
        'peer' => '#cdc5d0',
        'median' => '#857a8f',
        'warn' => '#8a4b00',
        'focus-1' => '#bd3e0c',
        'focus-2' => '#187050',
        'focus-3' => '#3961da',
        'focus-4' => '#a83d8a',
        'focus-5' => '#560d98',
        'focus-6' => '#760224',
        'tone-1' => '#935d05',
        'tone-2' => '#954101',
        'tone-3' => '#8a2b28',
        'tone-4' => '#781a3c',
        'tone-5' => '#61104b',
        'tone-6' => '#470854',
        'tone-7' => '#2c0356',
        'arm-1' => '#012d3b',
        'arm-2' => '#024457',
        'arm-3' => '#2a5a6c',
        'arm-4' => '#726864',
        'arm-5' => '#70483a',
        'arm-6' => '#682408',
        'arm-7' => '#491401',
    ];

    private const NIGHT = [
        'ground' => '#1a1424',
        'sheet' => '#221a2e',
        'ink' => '#f3edf7',
        'quiet' => '#aca2b9',
        'hair' => '#382d48',
        'tint' => '#2b2139',
        'rail' => '#c9b6e6',
        'peer' => '#4f4460',
        'median' => '#8b7f98',
        'warn' => '#f0b070',
        'focus-1' => '#ff9366',
        'focus-2' => '#67e1a8',
        'focus-3' => '#33a5af',
        'focus-4' => '#f6c0f9',
        'focus-5' => '#9b7eef',
        'focus-6' => '#e3e725',
        'tone-1' => '#bb843e',
        'tone-2' => '#d78961',
        'tone-3' => '#ec9289',
        'tone-4' => '#f99fb5',
        'tone-5' => '#feb0e0',
        'tone-6' => '#f5caff',
        'tone-7' => '#ede7fe',
        'arm-1' => '#bbeafe',
        'arm-2' => '#74d5f9',
        'arm-3' => '#82b4c8',
        'arm-4' => '#998e8a',
        'arm-5' => '#cd9f8f',
        'arm-6' => '#feb095',
        'arm-7' => '#fed8cb',
    ];

    /** What the hues are called, for those who must name one; close enough by day and by night. */
    public const NAMES = [
        1 => 'orange',
        2 => 'green',
        3 => 'blue',
        4 => 'pink',
        5 => 'violet',
        6 => 'wine (light), lemon (dark)',
    ];

    /** @param array<string, string> $colours */
    private function __construct(public bool $isNight, private array $colours) {}

    public static function day(): self
    {
        return new self(false, self::DAY);
    }

    public static function night(): self
    {
        return new self(true, self::NIGHT);
    }

    /** As custom properties of a style sheet. */
    public function properties(): string
    {
        return implode('', array_map(fn(Ink $ink): string => "--{$ink->value}:{$this->colour($ink)};", Ink::cases()));
    }

    /** As #rrggbb. */
    public function colour(Ink $ink): string
    {
        return $this->colours[$ink->value];
    }
}
