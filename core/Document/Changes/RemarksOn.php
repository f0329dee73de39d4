<?php

declare(strict_types=1);

namespace DuskRail\Document\Changes;

use DuskRail\Data\DataSource;
use DuskRail\Document\Study;

/** A change that may do otherwise than one would expect, and then says so. */
interface RemarksOn
{
    /** A sentence; nothing where all is as expected. */
    public function remark(Study $before, Study $after, DataSource $data): string;
}
