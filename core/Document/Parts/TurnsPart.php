<?php

declare(strict_types=1);

namespace DuskRail\Document\Parts;

use DuskRail\Settings\Kinds\Choice;
use DuskRail\Settings\Kinds\Flag;
use DuskRail\Settings\ReadsSettings;

/** Whether the turns of the lines in focus are drawn. */
final readonly class TurnsPart implements Part
{
    use ReadsSettings;

    /** @param 'hidden'|'shown' $turns */
    public function __construct(
        #[Choice('turns', ['hidden' => 'hidden', 'shown' => 'shown'], lead: 'turns of the lines in focus')]
        public string $turns = 'hidden',
        #[Flag('95 % interval', 'shaded', 'not shaded', when: ['turns' => 'shown'])] public bool $interval = true,
        #[Flag('line with its bends', 'drawn', 'not drawn', when: ['turns' => 'shown'])] public bool $course = true,
    ) {}

    public static function name(): string
    {
        return 'turns';
    }

    public static function title(): string
    {
        return 'Turns';
    }

    public function conflict(): ?string
    {
        return null;
    }
}
