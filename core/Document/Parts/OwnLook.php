<?php

declare(strict_types=1);

namespace DuskRail\Document\Parts;

use DuskRail\Settings\HasSettings;
use DuskRail\Settings\Kinds\Choice;
use DuskRail\Settings\ReadsSettings;

/** How one line is drawn, where that is not as all others. */
final readonly class OwnLook implements HasSettings
{
    use ReadsSettings;

    /** Each is nothing for as all. */
    public function __construct(
        #[Choice('width', ['' => 'default width', 'fine' => 'thin', 'usual' => 'medium', 'heavy' => 'thick'])]
        public string $width = '',
        #[Choice('dash', ['' => 'default dash', 'solid' => 'solid', 'dashed' => 'dashed', 'dotted' => 'dotted'])]
        public string $dash = '',
        #[Choice('marker', [
            '' => 'default marker',
            'dots' => 'dots',
            'squares' => 'squares',
            'diamonds' => 'diamonds',
            'triangles' => 'triangles',
            'rings' => 'rings',
        ])]
        public string $marker = '',
    ) {}

    public static function title(): string
    {
        return 'Line';
    }
}
