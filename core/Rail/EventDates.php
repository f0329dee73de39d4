<?php

declare(strict_types=1);

namespace DuskRail\Rail;

use DuskRail\Data\ShortName;
use DuskRail\Settings\InvalidSetting;
use DuskRail\Time\Frequency;
use DuskRail\Time\Period;
use DuskRail\Time\UnknownPeriod;

/**
 * When an event was: for all that had it, or for each of some at a time of its own.
 *
 * Written as `2022-03`, or with names before the dates: `Veldmere 2019; Tarrow March 2020`. A name is that of a line or
 * of a group.
 */
final readonly class EventDates
{
    private const SEVERAL = 200;

    /**
     * @param Period|null $common date of all that have none of their own
     * @param array<array-key, Period> $own by name, as it was written
     */
    public function __construct(
        private string $text = '',
        public ?Period $common = null,
        public array $own = [],
    ) {}

    /** @throws InvalidSetting */
    public static function parse(string $text): self
    {
        $common = null;
        $own = [];
        foreach (preg_split('/[;\n]/', $text) ?: [] as $one) {
            $one = trim($one);
            if ($one === '') {
                continue;
            }
            [$name, $period] = self::dated($one);
            if ($period->frequency === Frequency::Number) {
                throw InvalidSetting::because('Event', "“{$one}” is no date. Enter a year, month or day.");
            }
            if ($name === '' ? $common !== null : isset($own[$name])) {
                throw InvalidSetting::because(
                    'Event',
                    $name === ''
                        ? 'there are two dates without a name. Enter one, or put a name before each: ' .
                            'Veldmere 2019; Tarrow 2020.'
                        : "{$name} has two dates. Enter one.",
                );
            }
            if ($name === '') {
                $common = $period;
            } else {
                $own[$name] = $period;
            }
        }
        if (count($own) > self::SEVERAL) {
            throw InvalidSetting::because(
                'Event',
                count($own) . ' names are too many; up to ' . self::SEVERAL . ' can be entered. Import the dates as ' .
                    'an attribute instead.',
            );
        }

        return new self(trim($text), $common, $own);
    }

    /**
     * The longest end that is a period, and the name before it.
     *
     * @return array{string, Period}
     *
     * @throws InvalidSetting
     */
    private static function dated(string $text): array
    {
        $words = preg_split('/[\s:]+/u', $text) ?: [$text];
        for ($from = max(0, count($words) - 4); $from < count($words); $from++) {
            try {
                $period = Period::parse(implode(' ', array_slice($words, $from)));
            } catch (UnknownPeriod) {
                continue;
            }

            return [implode(' ', array_slice($words, 0, $from)), $period];
        }
        throw InvalidSetting::because(
            'Event',
            "“{$text}” has no date. Enter a date (2022-03), or a name with one (Veldmere 2019). Separate several " .
                'with “;”.',
        );
    }

    public function isNone(): bool
    {
        return $this->common === null && $this->own === [];
    }

    /** The date of its own that one of these names has; that of the first where several have one. */
    public function of(string ...$names): ?Period
    {
        foreach ($names as $name) {
            foreach ($this->own as $written => $period) {
                if (ShortName::means((string) $written, $name)) {
                    return $period;
                }
            }
        }

        return null;
    }

    /**
     * Names in it that are none of these.
     *
     * @param list<string> $names
     * @return list<string>
     */
    public function unknownAmong(array $names): array
    {
        $unknown = [];
        foreach (array_keys($this->own) as $written) {
            $means = static fn(string $name): bool => ShortName::means((string) $written, $name);
            if (array_filter($names, $means) === []) {
                $unknown[] = (string) $written;
            }
        }

        return $unknown;
    }

    /** As it was written; parse() makes it again. */
    public function code(): string
    {
        return $this->text;
    }

    public function label(): string
    {
        return $this->text;
    }
}
