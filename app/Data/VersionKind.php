<?php

declare(strict_types=1);

namespace App\Data;

/** How a version of a data set came to be. */
enum VersionKind: string
{
    /** A file, whose values are merged into those that were there. */
    case LaidOver = 'laid over';

    /** A file, whose measures take the place of those that were there. */
    case InPlace = 'in place';

    /** A file that describes entities and holds no values. */
    case Attributes = 'attributes';

    /** One value, set by hand. */
    case Correction = 'correction';

    /** Several entities that became one. */
    case Merged = 'merger';

    /** An older version, gone back to. */
    case Restored = 'restored';

    public function inWords(): string
    {
        return match ($this) {
            self::LaidOver => 'merged',
            self::InPlace => 'replaced',
            default => $this->value,
        };
    }
}
