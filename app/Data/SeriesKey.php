<?php

declare(strict_types=1);

namespace App\Data;

use App\Models\Entity;
use App\Models\Measure;

/** Which values: of what, of whom, and where they are split of which categories. */
final readonly class SeriesKey
{
    /** @param string $cell category of each breakdown that the measure is split by, as Cell writes it */
    public function __construct(public Measure $measure, public Entity $entity, public string $cell = '') {}
}
