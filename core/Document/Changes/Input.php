<?php

declare(strict_types=1);

namespace DuskRail\Document\Changes;

use DuskRail\Document\InvalidStudy;

/** What a request says about a change. */
final readonly class Input
{
    /** @param array<array-key, mixed> $values */
    public function __construct(private array $values) {}

    public function text(string $name): string
    {
        $value = $this->values[$name] ?? null;

        return is_scalar($value)
            ? (string) $value
            : throw InvalidStudy::because("The change has no “{$name}”. Reload the page.");
    }

    public function textOr(string $name, string $otherwise): string
    {
        return is_scalar($this->values[$name] ?? null) ? (string) $this->values[$name] : $otherwise;
    }

    /** @return array<string, mixed> */
    public function map(string $name): array
    {
        $value = $this->values[$name] ?? [];
        $map = [];
        foreach (is_array($value) ? $value : [] as $key => $one) {
            $map[(string) $key] = $one;
        }

        return $map;
    }
}
