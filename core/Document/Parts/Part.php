<?php

declare(strict_types=1);

namespace DuskRail\Document\Parts;

use DuskRail\Settings\HasSettings;

/**
 * The settings of one view, or of one thing that is drawn. Each has a default for everything, so that a study needs
 * none. Its settings are the properties of its constructor, each declared by an attribute (see Settings/Setting).
 *
 * To add one: write a class here, and name it in PartCatalogue.
 */
interface Part extends HasSettings
{
    /** Its name in study documents: lower case. */
    public static function name(): string;
}
