<?php

declare(strict_types=1);

namespace App\View;

use App\Models\BriefBlock;
use DuskRail\Chart\Scene;
use DuskRail\Outcome\Comparison;
use DuskRail\Words\Wording;

/** One block of a brief as it is read: a text, or a study drawn again. */
final readonly class BriefPart
{
    /**
     * @param Comparison|null $comparison of a study; null for a text
     * @param Scene|null $picture null where it cannot be drawn
     * @param bool $wide whether it takes the whole width of the page
     * @param string $problem why the study cannot be drawn; or nothing
     */
    public function __construct(
        public BriefBlock $block,
        public ?Comparison $comparison = null,
        public ?Wording $wording = null,
        public ?Scene $picture = null,
        public bool $wide = true,
        public string $problem = '',
    ) {}

    public function text(): string
    {
        return (string) $this->block->text;
    }
}
