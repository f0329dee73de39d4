<?php

declare(strict_types=1);

namespace DuskRail\Reading;

/** A column heading that may carry its unit: `Leakage (Ml)`, `Energy [MWh]`. */
final readonly class Heading
{
    private function __construct(public string $name, public string $unit) {}

    public static function read(string $text): self
    {
        $text = trim($text);
        if (preg_match('/^(.*\S)\s*[(\[]([^()\[\]]{1,30})[)\]]$/u', $text, $m) === 1) {
            return new self($m[1], trim($m[2]));
        }

        // A mark for per cent at the end is no part of the name.
        if (preg_match('/^(.*\p{L})[\s,:]+(?:in )?([%‰])$/u', $text, $m) === 1) {
            return new self(rtrim($m[1], ' ,:'), $m[2]);
        }

        return new self($text, '');
    }
}
