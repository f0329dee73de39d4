<?php

declare(strict_types=1);

namespace DuskRail\Chart;

/** What a colour is for. Which colour that is, a theme says. */
enum Ink: string
{
    case Ground = 'ground';
    case Sheet = 'sheet';
    case Text = 'ink';
    case Quiet = 'quiet';
    case Hair = 'hair';
    case Tint = 'tint';
    case Rail = 'rail';
    case Peer = 'peer';
    case Median = 'median';
    case Warn = 'warn';
    case Focus1 = 'focus-1';
    case Focus2 = 'focus-2';
    case Focus3 = 'focus-3';
    case Focus4 = 'focus-4';
    case Focus5 = 'focus-5';
    case Focus6 = 'focus-6';

    public static function focus(int $hue): self
    {
        return self::from("focus-{$hue}");
    }
}
