<?php

declare(strict_types=1);

namespace App\Drawing;

/** What a study is handed over as. */
final readonly class HandOverChoice
{
    /**
     * @param string $format one of HandOver::FORMATS
     * @param array{float, float} $size width and height of a picture
     * @param int $times pixels of a PNG for one of the picture
     * @param bool $night on the ground of the night
     * @param list<string> $controls what the reader of an HTML file may change, of ReaderChoices::CONTROLS
     */
    public function __construct(
        public string $format,
        public array $size,
        public int $times = 1,
        public bool $night = false,
        public array $controls = [],
    ) {}
}
