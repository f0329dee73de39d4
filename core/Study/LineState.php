<?php

declare(strict_types=1);

namespace DuskRail\Study;

enum LineState: string
{
    case Focus = 'focus';
    case Peer = 'peer';
    case Off = 'off';
}
