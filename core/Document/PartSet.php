<?php

declare(strict_types=1);

namespace DuskRail\Document;

use DuskRail\Document\Parts\Part;

/** One part of every kind: those that were set, and all others as they are by default. */
final readonly class PartSet
{
    /** @param array<class-string<Part>, Part> $set those that are not as by default */
    public function __construct(private array $set = []) {}

    /**
     * @template P of Part
     *
     * @param class-string<P> $class
     * @return P
     */
    public function of(string $class): Part
    {
        /** @var P $part */
        $part = $this->set[$class] ?? $class::from([]);

        return $part;
    }

    public function with(Part $part): self
    {
        $set = [...$this->set, $part::class => $part];
        if ($part == $part::from([])) {
            unset($set[$part::class]);
        }
        ksort($set);

        return new self($set);
    }
}
