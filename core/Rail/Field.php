<?php

declare(strict_types=1);

namespace DuskRail\Rail;

/** One thing about a stop that can be changed, described so that any interface can offer it. */
final readonly class Field
{
    /** @param array<array-key, string> $options label by value; none for a field that is typed */
    private function __construct(
        public string $name,
        public string $lead,
        public string $kind,
        public string $value,
        public array $options = [],
        public string $hint = '',
        public bool $long = false,
    ) {}

    /** @param array<array-key, string> $options label by value */
    public static function choice(string $name, string $lead, string $value, array $options): self
    {
        return new self($name, $lead, 'choice', $value, $options);
    }

    public static function number(string $name, string $lead, float|int $value, string $hint = ''): self
    {
        return new self($name, $lead, 'number', (string) $value, [], $hint);
    }

    /** @param bool $long needs a line of its own, with the hint under it */
    public static function text(string $name, string $lead, string $value, string $hint = '', bool $long = false): self
    {
        return new self($name, $lead, 'text', $value, [], $hint, $long);
    }
}
