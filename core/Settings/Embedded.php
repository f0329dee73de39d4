<?php

declare(strict_types=1);

namespace DuskRail\Settings;

use Attribute;

/** A property whose own settings are read and written as if they were those of the class that has it. */
#[Attribute(Attribute::TARGET_PARAMETER)]
final readonly class Embedded {}
