<?php

declare(strict_types=1);

namespace App\Drawing\Out;

use App\Drawing\HandOver;
use DuskRail\Refusal;

/**
 * A format that a study is handed over in. Form, route, command and docs follow.
 *
 * To add one: write a class here, and name it in HandOverFormats.
 */
interface HandOverFormat
{
    /** Its name in addresses and commands, and the ending of its files. */
    public static function name(): string;

    /** What its button says. */
    public static function label(): string;

    /** What it is, as the button's tool tip; an empty text if the label says it. */
    public static function about(): string;

    /** The media type of its files. */
    public static function type(): string;

    /** The form that it is offered in, which says what can be chosen for it. */
    public static function group(): HandOverGroup;

    /** @throws Refusal when the data cannot be looked at as the study asks, or the format cannot hold it */
    public static function content(HandOver $of): string;
}
