<?php

declare(strict_types=1);

namespace App\Models;

use DuskRail\Document\HouseSettings;
use DuskRail\Document\Study as StudyOfCore;
use DuskRail\Document\Style;

/**
 * The style of this installation: the settings of the house, the look that new studies get, and the hues of named
 * entities. There is one row.
 *
 * @property array<string, mixed> $settings as HouseSettings has them
 * @property array<string, mixed>|null $style of new studies; null for the one that ships with the program
 * @property array<string, int> $hues by key of the entity
 */
final class HouseStyle extends Record
{
    protected $table = 'house_styles';

    protected $guarded = [];

    protected $attributes = ['settings' => '{}', 'style' => null, 'hues' => '{}'];

    protected $casts = ['settings' => 'array', 'style' => 'array', 'hues' => 'array'];

    public static function current(): self
    {
        return once(static fn(): self => self::query()->first() ?? new self());
    }

    public function asSettings(): HouseSettings
    {
        return HouseSettings::from($this->settings);
    }

    /** A new study as the house has it. */
    public function givenTo(StudyOfCore $study): StudyOfCore
    {
        $study = $study->withPart($this->asSettings()->conventions);

        return $this->style === null ? $study : Style::read($this->style)->givenTo($study);
    }
}
