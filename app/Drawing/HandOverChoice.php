<?php

declare(strict_types=1);

namespace App\Drawing;

/** What was chosen for a study that is handed over. */
final readonly class HandOverChoice
{
    /**
     * @param array{float, float} $size width and height of a picture
     * @param int $times pixels of a PNG for one of the picture
     * @param bool $night on the ground of the night
     * @param list<string> $controls what the reader of an HTML file may change, of ReaderChoices::CONTROLS
     */
    public function __construct(
        public array $size,
        public int $times = 1,
        public bool $night = false,
        public array $controls = [],
    ) {}
}
