<?php

declare(strict_types=1);

namespace DuskRail\Chart;

/** Something to draw. */
interface Mark {}
