<?php

declare(strict_types=1);

namespace DuskRail\Chart;

use Closure;

/**
 * So many lines that nobody can tell one from the other: what they cover together, column by column of pixels. It takes
 * room by the size of the picture and not by the number of lines, and is what single lines drawn over each other in one
 * opaque colour cover, but for their soft edges.
 */
final readonly class DenseLines implements Mark
{
    /** Parts of a pixel that heights are told in. */
    public const FINE = 2;

    /**
     * @param Closure(): array<int, list<int>> $columns by column of pixels in ascending order: from which and until
     *     which height it is covered, in turn, in parts of a pixel from the top. Asked for only by who draws it, since
     *     that takes longer than all the rest
     */
    public function __construct(private Closure $columns, public Ink $ink) {}

    /** @return array<int, list<int>> */
    public function columns(): array
    {
        return ($this->columns)();
    }
}
