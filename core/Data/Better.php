<?php

declare(strict_types=1);

namespace DuskRail\Data;

/** Which way is good. */
enum Better: string
{
    case Higher = 'higher';
    case Lower = 'lower';
    case Neither = 'neither';
}
