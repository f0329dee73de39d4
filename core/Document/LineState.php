<?php

declare(strict_types=1);

namespace DuskRail\Document;

enum LineState: string
{
    case Focus = 'focus';
    case Peer = 'peer';
    case Off = 'off';
}
