<?php

declare(strict_types=1);

namespace DuskRail\Rail;

/** Reads the settings of a stop, from a document or a form, and says in words what is wrong with one. */
final readonly class Settings
{
    /** @param array<string, mixed> $values */
    public function __construct(private string $stop, private array $values) {}

    public function text(string $name, string $otherwise = ''): string
    {
        $value = $this->values[$name] ?? $otherwise;

        return is_scalar($value) ? trim((string) $value) : throw $this->wrong("“{$name}” must be a text.");
    }

    public function whole(string $name, int $otherwise, int $low, int $high): int
    {
        $value = $this->values[$name] ?? $otherwise;
        if (! is_numeric($value) || (float) $value !== floor((float) $value)) {
            throw $this->wrong("“{$name}” must be a whole number, from {$low} to {$high}.");
        }
        $number = (int) $value;

        return $number >= $low && $number <= $high
            ? $number
            : throw $this->wrong("“{$name}” is {$number}; it can be from {$low} to {$high}.");
    }

    public function positive(string $name, float $otherwise): float
    {
        $value = $this->values[$name] ?? $otherwise;
        $value = is_string($value) ? str_replace([',', ' '], '', $value) : $value;
        if (! is_numeric($value) || ! is_finite((float) $value) || (float) $value <= 0.0) {
            throw $this->wrong("“{$name}” must be a number above zero.");
        }

        return (float) $value;
    }

    /** @param list<string> $allowed */
    public function oneOf(string $name, string $otherwise, array $allowed): string
    {
        $value = $this->text($name, $otherwise);

        return in_array($value, $allowed, true)
            ? $value
            : throw $this->wrong("“{$name}” can be ".implode(', ', $allowed).", not “{$value}”.");
    }

    public function wrong(string $reason): InvalidSetting
    {
        return InvalidSetting::because($this->stop, $reason);
    }
}
