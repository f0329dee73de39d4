<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

use DuskRail\Document\Study;
use DuskRail\Document\ValuesByHand;
use DuskRail\Document\ViewCatalogue;
use DuskRail\Rail\PlacedStop;
use DuskRail\Rail\Stops\IndexToBase;
use DuskRail\Rail\Stops\Rolling;
use DuskRail\Time\Frequency;
use DuskRail\Time\Period;
use DuskRail\Time\PeriodRange;

/** What a reader sets in a study of somebody else: since when, on which base, over which window. */
final readonly class ReaderChoices
{
    /** By what is set, with how the author's own is called among others. */
    public const CONTROLS = ['years' => 'Start year', 'base' => 'Base', 'window' => 'Rolling window'];

    /** Windows worth a look, by how long the periods are. */
    private const WINDOWS = [
        'day' => [7, 28, 91],
        'week' => [4, 13, 52],
        'month' => [6, 12, 24],
        'quarter' => [4, 8],
        'half-year' => [2, 4],
        'year' => [3, 5],
        'number' => [3, 6, 12],
    ];

    /** Years to begin in, and bases: so many beside the author's own. */
    private const YEARS = 7;

    /**
     * @param string $years the first year shown; nothing for the author's own, as in the others
     * @param string $base a year
     * @param string $window the frequency it is for, a dot, and so many periods: `month.6`
     */
    private function __construct(public string $years = '', public string $base = '', public string $window = '') {}

    public static function none(): self
    {
        return new self();
    }

    /**
     * @param array<array-key, mixed> $input by control; what is not possible is the author's own
     * @param list<string> $allowed controls that the author leaves to the reader
     */
    public static function read(array $input, array $allowed): self
    {
        $value = static fn(string $control, string $pattern): string => in_array($control, $allowed, true) &&
        is_string($input[$control] ?? null) &&
        preg_match($pattern, $input[$control]) === 1
            ? $input[$control]
            : '';

        return new self(
            $value('years', '/^\d{4}$/'),
            $value('base', '/^\d{4}$/'),
            $value('window', '/^[a-z-]+\.\d{1,3}$/'),
        );
    }

    public function isNone(): bool
    {
        return $this->years . $this->base . $this->window === '';
    }

    /**
     * What can be set in a study, each with what it is then called; the author's own comes first, under no value.
     *
     * @param list<string> $controls
     * @return array<string, non-empty-array<array-key, string>> label by value, by control; one that has no others
     *     is left out
     */
    public static function offered(Comparison $comparison, array $controls): array
    {
        $axis = $comparison->axis;
        if ($axis->count === 0) {
            return [];
        }
        $offered = [];
        $calendar = $axis->frequency !== Frequency::Number;
        if (in_array('years', $controls, true) && $calendar && ViewCatalogue::of($comparison->study)->showsRange()) {
            $own = $axis->period($comparison->from)->yearNumber();
            $years = range($axis->period(0)->yearNumber(), $axis->period($comparison->to)->yearNumber());
            $offered['years'] =
                ['' => "since {$own}"] +
                self::labelled(self::nearest($years, $own), static fn(int $year): string => "since {$year}");
        }
        foreach ($comparison->run->steps as $step) {
            $stop = $step->placed->stop;
            $label = static fn(string $name, int|string $value): string => $stop::from(
                [...$stop->settings(), 'needed' => 'all', $name => $value],
            )
                ->label($step->arriving, $comparison->data);
            if (
                in_array('base', $controls, true) &&
                $calendar &&
                $stop instanceof IndexToBase &&
                $stop->base() !== null
            ) {
                $own = $stop->base()->first->yearNumber();
                $years = range($axis->period(0)->yearNumber(), $axis->period($axis->count - 1)->yearNumber());
                $offered['base'] =
                    ['' => $stop->label($step->arriving, $comparison->data)] +
                    self::labelled(
                        self::nearest($years, $own),
                        static fn(int $year): string => $label('base', (string) $year),
                    );
            }
            if (in_array('window', $controls, true) && $stop instanceof Rolling) {
                $frequency = $step->arriving->axis->frequency->noun();
                $offered['window'] = ['' => $stop->label($step->arriving, $comparison->data)];
                foreach (self::WINDOWS[$frequency] ?? [] as $window) {
                    if ($stop->settings()['window'] !== $window) {
                        $offered['window']["{$frequency}.{$window}"] = $label('window', $window);
                    }
                }
            }
        }

        return array_filter($offered, static fn(array $values): bool => count($values) > 1);
    }

    /** The study as the reader wishes to see it. */
    public function appliedTo(Comparison $comparison): Study
    {
        $study = $comparison->document;
        if ($this->years !== '') {
            $last =
                $study->range !== null && $study->range->last->frequency !== Frequency::Number
                    ? $study->range->last
                    : $comparison->axis->period($comparison->axis->count - 1);
            $first = Period::holding($last->frequency, Period::parse($this->years)->firstDay());
            $study =
                $first->ordinal <= $last->ordinal ? $study->withRange(PeriodRange::between($first, $last)) : $study;
        }
        foreach ($comparison->run->steps as $step) {
            $stop = $step->placed->stop;
            [$frequency, $window] = [...explode('.', $this->window), ''];
            $settings = match (true) {
                $stop instanceof IndexToBase && $stop->base() !== null && $this->base !== '' => ['base' => $this->base],
                $stop instanceof Rolling && $frequency === $step->arriving->axis->frequency->noun() => [
                    'window' => (int) $window,
                    'needed' => 'all',
                ],
                default => [],
            };
            if ($settings !== []) {
                $stop = $stop::from([...$stop->settings(), ...$settings]);
                $placed = new PlacedStop($step->placed->id, $stop, $step->placed->bypassed);
                $study = $study->withRail($study->rail->replacing($placed));
            }
        }

        return self::carried($comparison, $study);
    }

    /** Values typed by hand are of the unit that was there before the reader chose another base. */
    private static function carried(Comparison $comparison, Study $study): Study
    {
        if ($study->rail == $comparison->document->rail || ValuesByHand::in($study) === []) {
            return $study;
        }
        $scope = $study->scope($study->slice($comparison->wholeData()));
        $table = $study->rail->run($scope->table($study->measure), $scope)->table();

        return ValuesByHand::carried($comparison->document, $study, $comparison->run->table(), $table);
    }

    /**
     * @param list<int> $years
     * @return list<int> the nearest ones to a year, without it, in order
     */
    private static function nearest(array $years, int $own): array
    {
        $years = array_values(array_diff($years, [$own]));
        usort($years, static fn(int $a, int $b): int => abs($a - $own) <=> abs($b - $own));
        $years = array_slice($years, 0, self::YEARS);
        sort($years);

        return $years;
    }

    /**
     * @param list<int> $years
     * @param callable(int): string $label
     * @return array<array-key, string>
     */
    private static function labelled(array $years, callable $label): array
    {
        $labels = [];
        foreach ($years as $year) {
            $labels[sprintf('%04d', $year)] = $label($year);
        }

        return $labels;
    }
}
