<?php

declare(strict_types=1);

namespace DuskRail\Data;

/** That the entities most like one are its peers. */
final readonly class Nearness
{
    /**
     * @param string $to key of the entity that the others are to be like
     * @param int $count how many are peers
     * @param array<string, float> $weights above 0, by characteristic as PeerCondition has it
     */
    public function __construct(public string $to, public int $count, public array $weights) {}
}
