<?php

declare(strict_types=1);

namespace DuskRail\Chart;

use DuskRail\Outcome\Line;

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
    case Tone1 = 'tone-1';
    case Tone2 = 'tone-2';
    case Tone3 = 'tone-3';
    case Tone4 = 'tone-4';
    case Tone5 = 'tone-5';
    case Tone6 = 'tone-6';
    case Tone7 = 'tone-7';
    case Arm1 = 'arm-1';
    case Arm2 = 'arm-2';
    case Arm3 = 'arm-3';
    case Arm4 = 'arm-4';
    case Arm5 = 'arm-5';
    case Arm6 = 'arm-6';
    case Arm7 = 'arm-7';

    public static function focus(int $hue): self
    {
        return self::from("focus-{$hue}");
    }

    /** A line's own colour; that of the quiet ones where it has none. */
    public static function of(Line $line, self $quiet): self
    {
        return self::tryFrom($line->ink()) ?? $quiet;
    }
}
