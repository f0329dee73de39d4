<?php

declare(strict_types=1);

namespace App\Drawing\Out;

/** What can be chosen for a format that a study is handed over in. */
enum HandOverGroup
{
    /** Size, pixels and ground. */
    case Image;

    /** What readers may change. */
    case Page;

    /** Nothing. */
    case File;
}
