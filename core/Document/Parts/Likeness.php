<?php

declare(strict_types=1);

namespace DuskRail\Document\Parts;

use DuskRail\Settings\HasSettings;
use DuskRail\Settings\Kinds\Flag;
use DuskRail\Settings\Kinds\Number;
use DuskRail\Settings\ReadsSettings;

/** Which points of a scatter are taken for alike: those with the same result along, and those that differ by chance. */
final readonly class Likeness implements HasSettings
{
    use ReadsSettings;

    /**
     * @param float|null $within how near others must be to the first in focus, along, to have the same result
     * @param bool $funnel limits between which rates of counts are by chance alone, by what they are per
     */
    public function __construct(
        #[Number(
            'same result within',
            hint: 'none',
            lead: 'same result within ±',
            about: 'who lies so near the first in focus along the horizontal axis is compared on the vertical one',
        )]
        public ?float $within = null,
        #[Flag('chance limits by size (funnel)', 'shown', 'hidden')] public bool $funnel = false,
    ) {}

    public static function title(): string
    {
        return 'Scatter';
    }

    public function conflict(): ?string
    {
        return $this->within !== null && $this->within <= 0.0
            ? '“same result within” must be above 0. Leave it empty for none.'
            : null;
    }
}
