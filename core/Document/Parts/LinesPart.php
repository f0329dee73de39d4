<?php

declare(strict_types=1);

namespace DuskRail\Document\Parts;

use DuskRail\Settings\Kinds\Choice;
use DuskRail\Settings\Kinds\Chosen;
use DuskRail\Settings\Kinds\Several;
use DuskRail\Settings\ReadsSettings;

/** What the lines of a study run across. */
final readonly class LinesPart implements Part
{
    use ReadsSettings;

    /**
     * @param 'entities'|'measures' $across
     * @param string $of key of the entity whose measures or years are compared; nothing for the first in focus
     * @param list<string> $groups groups that are a line of their own
     */
    public function __construct(
        #[
            Choice('lines', ['entities' => 'entities', 'measures' => 'measures of one entity'], lead: 'the lines are'),
        ]
        public string $across = 'entities',
        #[
            Chosen(
                'entity',
                of: 'entities',
                none: 'the first in focus',
                lead: 'years and measures of',
                leads: ['across=measures' => 'namely of'],
            ),
        ]
        public string $of = '',
        #[Several('groups as lines', of: 'groups', lead: 'as lines of their own:')] public array $groups = [],
    ) {}

    public static function name(): string
    {
        return 'lines';
    }

    public static function title(): string
    {
        return 'Lines';
    }
}
