<?php

declare(strict_types=1);

namespace DuskRail\Rail;

use DuskRail\Data\Entity;
use DuskRail\Data\Numerals;
use DuskRail\Data\ShortName;
use DuskRail\Settings\InvalidSetting;
use DuskRail\Time\Frequency;
use DuskRail\Time\Period;
use DuskRail\Time\PeriodAxis;
use DuskRail\Time\Undated;
use DuskRail\Time\UnknownPeriod;

/**
 * What is to be reached: by everybody or by one, always, from a period on until another is set, or by a date.
 *
 * Written as `120`, as `2020 130; 2024 110`, as `120 by 2027`, and with the name of whom it is for before it:
 * `Veldmere 2025 95; 120`, `Veldmere 95 by 2027-06; 120 by 2028`.
 */
final readonly class Targets
{
    /** A period as it is written in targets: `2024`, `2024-06`, `2024-Q2`. */
    private const PERIOD = '\d{4}(?:-[A-Z]?\d{1,2}(?:-\d{2})?)?';

    /**
     * @param list<array{name: string, from: Period|null, by: Period|null, value: float}> $steps those of no name are
     *     everybody's
     */
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
            $steps[] = self::step($one);
        }
        usort(
            $steps,
            static fn(array $a, array $b): int => self::starts($a) <=> self::starts($b),
        );

        return new self(trim($text), $steps);
    }

    /**
     * @return array{name: string, from: Period|null, by: Period|null, value: float}
     *
     * @throws InvalidSetting
     */
    private static function step(string $one): array
    {
        $period = self::PERIOD;
        if (
            preg_match(
                "/^(?<name>.*?)\\s*(?<from>(?<![\\w.,-]){$period})?(?:\\s*:\\s*|\\s+|^)" .
                    '(?<value>[-−]?[.,]?\d(?:[\d.,\x{00A0}\x{202F}]*\d)?)' .
                    '(?:\s+by\s+(?<by>\S.*))?$/u',
                $one,
                $m,
            ) !== 1
        ) {
            throw InvalidSetting::because(
                'Target',
                "“{$one}” is not a target. Enter a value (120), with a date (120 by 2027), with a start period " .
                    '(2024 110), or with a name before them (Veldmere 95 by 2027-06). Separate several with “;”.',
            );
        }
        $value = Numerals::read($m['value']);
        if ($value === null) {
            throw InvalidSetting::because('Target', "“{$m['value']}” is not a number.");
        }
        $by = $m['by'] ?? '';
        if ($by !== '' && $m['from'] !== '') {
            throw InvalidSetting::because(
                'Target',
                "“{$one}” has a start period and a date. Enter one of them: {$m['from']} {$m['value']}, or " .
                    "{$m['value']} by {$by}.",
            );
        }
        try {
            return [
                'name' => trim($m['name']),
                'from' => $m['from'] === '' ? null : Period::parse($m['from']),
                'by' => $by === '' ? null : Period::parse($by),
                'value' => $value,
            ];
        } catch (UnknownPeriod $problem) {
            throw InvalidSetting::because('Target', $problem->getMessage());
        }
    }

    /**
     * The day from which a step counts; of those with a date, the last of it.
     *
     * @param array{name: string, from: Period|null, by: Period|null, value: float} $step
     */
    private static function starts(array $step): int
    {
        return $step['by']?->lastDay() ?? ($step['from']?->firstDay() ?? PHP_INT_MIN);
    }

    /** The same in another unit. */
    public function times(float $factor): self
    {
        $steps = $texts = [];
        foreach ($this->steps as $step) {
            $steps[] = [...$step, 'value' => $step['value'] * $factor];
            $words = [
                $step['name'],
                $step['from']?->code() ?? '',
                Numerals::plain($step['value'] * $factor),
                $step['by'] === null ? '' : "by {$step['by']->code()}",
            ];
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
                    array_filter($known, static fn(string $k): bool => ShortName::means($name, $k)) === [],
            ),
        );
    }

    /** Whether this line is to reach something else than all the others. */
    public function isOwn(string $line): bool
    {
        foreach ($this->steps as $step) {
            if (ShortName::means($step['name'], $line)) {
                return true;
            }
        }

        return false;
    }

    /** What a line is to have reached at a position; NAN where nothing is set yet. An empty name is everybody. */
    public function at(string $line, PeriodAxis $axis, int $position): float
    {
        return $this->along($line, $axis, $position, $position)[$position];
    }

    /**
     * The same from one position to another; with dates, what is to be reached next.
     *
     * @return array<int, float> by position
     */
    public function along(string $line, PeriodAxis $axis, int $from, int $to): array
    {
        $steps = $this->of($line);
        $dated = $this->dated($line, $axis);
        $levels = [];
        for ($i = $from; $i <= $to; $i++) {
            $levels[$i] = NAN;
            // Where no calendar is along the axis, the latest is what counts.
            $day = $axis->frequency === Frequency::Number ? PHP_INT_MAX : $axis->period($i)->firstDay();
            foreach ($steps as $step) {
                $isOn = $step['by'] === null ? self::starts($step) <= $day : $dated === [];
                $levels[$i] = $isOn ? $step['value'] : $levels[$i];
            }
            foreach (array_reverse($dated) as $k => $next) {
                $levels[$i] = $k === 0 || $next->position >= $i ? $next->value : $levels[$i];
            }
        }

        return $levels;
    }

    /**
     * What a line is to have reached by a date, in their order.
     *
     * @return list<DatedTarget> empty where no calendar is along the axis
     */
    public function dated(string $line, PeriodAxis $axis): array
    {
        $dated = [];
        $hasDates = $axis->frequency !== Frequency::Number && !Undated::holds($axis->period(0));
        foreach ($hasDates ? $this->of($line) : [] as $step) {
            if ($step['by'] !== null) {
                $period = Period::holding($axis->frequency, $step['by']->lastDay());
                $dated[] = new DatedTarget($step['by'], $period->ordinal - $axis->first, $step['value']);
            }
        }

        return $dated;
    }

    /** @return list<array{name: string, from: Period|null, by: Period|null, value: float}> those of a line, or of all */
    private function of(string $line): array
    {
        $own = array_filter($this->steps, static fn(array $step): bool => ShortName::means($step['name'], $line));

        return array_values(
            $own === [] ? array_filter($this->steps, static fn(array $step): bool => $step['name'] === '') : $own,
        );
    }
}
