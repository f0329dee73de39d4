<?php

declare(strict_types=1);

namespace DuskRail\Study\Parts;

use DuskRail\Rail\Field;
use DuskRail\Rail\Settings;
use DuskRail\Study\Comparison;

/** How large words and lines are, against the room that they have. */
final readonly class TextPart implements Part
{
    public const SIZES = ['small' => 0.85, 'usual' => 1.0, 'large' => 1.25];

    /** @param 'small'|'usual'|'large' $size */
    public function __construct(public string $size = 'usual') {}

    public static function read(array $settings): static
    {
        /** @var 'small'|'usual'|'large' $size */
        $size = (new Settings('Text', $settings))->oneOf('size', 'usual', array_keys(self::SIZES));

        return new self($size);
    }

    /** By how much a picture is enlarged after it was drawn for less room. */
    public function zoom(): float
    {
        return self::SIZES[$this->size];
    }

    public function toArray(): array
    {
        return get_object_vars($this);
    }

    public function fields(Comparison $comparison): array
    {
        return [Field::choice('size', 'words and lines', $this->size, ['small' => 'small', 'usual' => 'as usual', 'large' => 'large, for a slide'])];
    }
}
