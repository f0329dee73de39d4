<?php

declare(strict_types=1);

namespace DuskRail\Settings;

/** One thing about a stop that can be changed, described so that any interface can offer it. */
final readonly class Field
{
    /**
     * @param array<array-key, string> $options label by value; none for a field that is typed
     * @param list<string> $listed names of the data that the hint goes on with
     */
    private function __construct(
        public string $name,
        public string $lead,
        public string $kind,
        public string $value,
        public array $options = [],
        public string $hint = '',
        public bool $long = false,
        public float $low = 0.0,
        public float $high = 0.0,
        public array $listed = [],
    ) {}

    /** @param array<array-key, string> $options label by value */
    public static function choice(string $name, string $lead, string $value, array $options): self
    {
        return new self($name, $lead, 'choice', $value, $options);
    }

    /**
     * Several of the options at once.
     *
     * @param list<string> $chosen
     * @param array<array-key, string> $options label by value
     */
    public static function several(string $name, string $lead, array $chosen, array $options): self
    {
        return new self($name, $lead, 'several', implode(',', $chosen), $options);
    }

    /**
     * A number between two others; none while it is at its end, the upper one or the lower.
     *
     * @param array{float, float} $span
     */
    public static function slider(string $name, string $lead, ?float $value, array $span, bool $fromAbove): self
    {
        return new self(
            $name,
            $lead,
            'slider',
            $value === null ? '' : (string) $value,
            [],
            $fromAbove ? 'above' : 'below',
            false,
            $span[0],
            $span[1],
        );
    }

    public static function number(string $name, string $lead, int|string $value, string $hint = ''): self
    {
        return new self($name, $lead, 'number', (string) $value, [], $hint);
    }

    /**
     * @param bool $long needs a line of its own, with the hint under it
     * @param list<string> $listed names of the data that the hint goes on with
     */
    public static function text(
        string $name,
        string $lead,
        string $value,
        string $hint = '',
        bool $long = false,
        array $listed = [],
    ): self {
        return new self($name, $lead, 'text', $value, [], $hint, $long, listed: $listed);
    }
}
