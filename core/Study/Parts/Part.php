<?php

declare(strict_types=1);

namespace DuskRail\Study\Parts;

use DuskRail\Rail\Field;
use DuskRail\Rail\InvalidSetting;
use DuskRail\Study\Comparison;

/**
 * The settings of one view, or of one thing that is drawn. Each has a value for everything, so that a study needs none.
 *
 * To add one: write a class here, and give Study a property of that name.
 */
interface Part
{
    /**
     * @param array<array-key, mixed> $settings as toArray() gives them, or as a form sends them; what is left out is as usual
     *
     * @throws InvalidSetting
     */
    public static function read(array $settings): static;

    /** @return list<Field> what can be changed, in reading order */
    public function fields(Comparison $comparison): array;

    /** @return array<array-key, mixed> everything that read() needs to make it again */
    public function toArray(): array;
}
