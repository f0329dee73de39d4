<?php

declare(strict_types=1);

namespace DuskRail\Peers;

use DuskRail\Settings\HasSettings;

/**
 * What every member of a peer set that is found by rules must meet, beside conditions on what it is like. Its settings
 * are properties of its constructor, each declared by an attribute; form, file and docs follow. Names of settings are
 * unique among all rules, since a file has them side by side.
 *
 * To add one: write a class in Rules, and name it in PeerRules.
 */
interface PeerRule extends HasSettings
{
    /** True if it asks for nothing, as it does with the defaults of its settings. */
    public function isNone(): bool;

    /**
     * Why an entity does not meet it, as the note beside its name; an empty text if it does.
     *
     * @param string $key of the entity
     */
    public function refusal(string $key, Coverage $coverage): string;

    /** What it asks for, as it follows “all with”: `every value since 2019`. */
    public function inWords(): string;
}
