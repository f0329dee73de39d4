<?php

declare(strict_types=1);

namespace DuskRail\Rail;

/** Reads the settings of a stop, from a document or a form, and says in words what is wrong with one. */
final readonly class Settings
{
    /** @param array<array-key, mixed> $values */
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

    public function flag(string $name, bool $otherwise): bool
    {
        return match ($this->values[$name] ?? $otherwise) {
            true, 1, '1' => true,
            false, 0, '0', '' => false,
            default => throw $this->wrong("“{$name}” can be true or false."),
        };
    }

    /** A number, or null where the field is left empty. */
    public function number(string $name): ?float
    {
        $value = $this->values[$name] ?? null;
        if ($value === null || $value === '') {
            return null;
        }
        $value = is_string($value) ? str_replace([',', ' ', '−'], ['', '', '-'], $value) : $value;

        return is_numeric($value) && is_finite((float) $value) ? (float) $value : throw $this->wrong("“{$name}” must be a number, as in 45.5, or empty.");
    }

    /**
     * @template T of \BackedEnum
     *
     * @param T $otherwise
     * @return T
     */
    public function case(string $name, \BackedEnum $otherwise): \BackedEnum
    {
        $cases = array_column($otherwise::cases(), 'value');

        return $otherwise::from($this->oneOf($name, (string) $otherwise->value, array_map(strval(...), $cases)));
    }

    /**
     * @return list<string> texts of a list, or of a text that commas part
     */
    public function texts(string $name): array
    {
        $value = $this->values[$name] ?? [];
        $list = is_string($value) ? ($value === '' ? [] : explode(',', $value)) : $value;
        if (! is_array($list)) {
            throw $this->wrong("“{$name}” must be a list of texts.");
        }

        return array_values(array_map(fn(mixed $one): string => is_string($one) ? $one : throw $this->wrong("“{$name}” must be a list of texts."), $list));
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
