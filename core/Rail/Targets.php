<?php

declare(strict_types=1);

namespace DuskRail\Rail;

use DuskRail\Data\Entity;
use DuskRail\Data\Numerals;
use DuskRail\Settings\InvalidSetting;
use DuskRail\Time\Frequency;
use DuskRail\Time\Period;
use DuskRail\Time\PeriodAxis;
use DuskRail\Time\UnknownPeriod;

/**
 * What is to be reached: by everybody or by one, always or from a period on until another is set.
 *
 * Written as `120`, as `2020 130; 2024 110`, and with the name of whom it is for before it: `Veldmere 2025 95; 120`.
 */
final readonly class Targets
{
    /** @param list<array{name: string, from: Period|null, value: float}> $steps those of no name are everybody's */
    public function __construct(private string $text = '', private array $steps = []) {}

    /** @throws InvalidSetting */
    public static function parse(string $text): self
    {
        $steps = [];
        foreach (preg_split('/[;\n]/', $text) ?: [] as $one) {
            $one = trim($one);
            if ($one === '') {
                continue;
            }
            if (
                preg_match(
                    '/^(?<name>.*?)\s*(?<from>(?<![\w.,-])\d{4}(?:-[A-Z]?\d{1,2}(?:-\d{2})?)?)?(?' .
                        ':\s*:\s*|\s+|^)(?<value>[-−]?[.,]?\d(?:[\d.,\x{00A0}\x{202F}]*\d)?)$/u',
                    $one,
                    $m,
                ) !== 1
            ) {
                throw InvalidSetting::because(
                    'Target',
                    "“{$one}” is not a target. Enter a value (120), with a start period (2024 110), or with a " .
                        'name before them (Veldmere 2024 95). Separate several with “;”.',
                );
            }
            $value = Numerals::read($m['value']);
            if ($value === null) {
                throw InvalidSetting::because('Target', "“{$m['value']}” is not a number.");
            }
            try {
                $steps[] = [
                    'name' => trim($m['name']),
                    'from' => $m['from'] === '' ? null : Period::parse($m['from']),
                    'value' => $value,
                ];
            } catch (UnknownPeriod $problem) {
                throw InvalidSetting::because('Target', $problem->getMessage());
            }
        }
        usort(
            $steps,
            static fn(array $a, array $b): int => ($a['from']?->firstDay() ?? PHP_INT_MIN) <=>
                ($b['from']?->firstDay() ?? PHP_INT_MIN),
        );

        return new self(trim($text), $steps);
    }

    /** The same in another unit. */
    public function times(float $factor): self
    {
        $steps = $texts = [];
        foreach ($this->steps as $step) {
            $steps[] = [...$step, 'value' => $step['value'] * $factor];
            $words = [$step['name'], $step['from']?->code() ?? '', Numerals::plain($step['value'] * $factor)];
            $texts[] = implode(' ', array_filter($words, static fn(string $word): bool => $word !== ''));
        }

        return new self(implode('; ', $texts), $steps);
    }

    public function isNone(): bool
    {
        return $this->steps === [];
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

    /**
     * Names in it that no entity has.
     *
     * @param iterable<Entity> $entities
     * @return list<string>
     */
    public function unknownIn(iterable $entities): array
    {
        $known = [];
        foreach ($entities as $entity) {
            $known[] = $entity->name;
        }

        return array_values(
            array_filter(
                array_unique(array_column($this->steps, 'name')),
                static fn(string $name): bool => $name !== '' &&
                    array_filter($known, static fn(string $k): bool => self::means($name, $k)) === [],
            ),
        );
    }

    /** Whether this line is to reach something else than all the others. */
    public function isOwn(string $line): bool
    {
        return array_filter($this->steps, static fn(array $step): bool => self::means($step['name'], $line)) !== [];
    }

    /** What a line is to have reached at a position; NAN where nothing is set yet. An empty name is everybody. */
    public function at(string $line, PeriodAxis $axis, int $position): float
    {
        return $this->along($line, $axis, $position, $position)[$position];
    }

    /**
     * The same from one position to another.
     *
     * @return array<int, float> by position
     */
    public function along(string $line, PeriodAxis $axis, int $from, int $to): array
    {
        $own = array_filter($this->steps, static fn(array $step): bool => self::means($step['name'], $line));
        $steps = $own === [] ? array_filter($this->steps, static fn(array $step): bool => $step['name'] === '') : $own;
        $levels = [];
        for ($i = $from; $i <= $to; $i++) {
            $levels[$i] = NAN;
            // Where no calendar is along the axis, the latest is what counts.
            $day = $axis->frequency === Frequency::Number ? PHP_INT_MAX : $axis->period($i)->firstDay();
            foreach ($steps as $step) {
                $levels[$i] = ($step['from']?->firstDay() ?? PHP_INT_MIN) <= $day ? $step['value'] : $levels[$i];
            }
        }

        return $levels;
    }

    /** A name is meant by itself or by its first word. */
    private static function means(string $written, string $name): bool
    {
        return $written !== '' &&
            in_array(mb_strtolower($written), [mb_strtolower($name), mb_strtolower(explode(' ', $name)[0])], true);
    }
}
