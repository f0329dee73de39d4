<?php

declare(strict_types=1);

namespace DuskRail\Document\Parts;

use DuskRail\Settings\Kinds\Choice;
use DuskRail\Settings\ReadsSettings;

/** How large words and lines are, against the room that they have. */
final readonly class TextPart implements Part
{
    use ReadsSettings;

    public const SIZES = ['small' => 0.85, 'usual' => 1.0, 'large' => 1.25];

    /** @param key-of<self::SIZES> $size */
    public function __construct(
        #[Choice(
            'size',
            ['small' => 'small', 'usual' => 'medium', 'large' => 'large (slides)'],
            lead: 'text and line size',
        )]
        public string $size = 'usual',
    ) {}

    public static function name(): string
    {
        return 'text';
    }

    public static function title(): string
    {
        return 'Text';
    }

    /** By how much a picture is enlarged after it was drawn for less room. */
    public function zoom(): float
    {
        return self::SIZES[$this->size];
    }
}
