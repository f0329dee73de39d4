<?php

declare(strict_types=1);

namespace DuskRail\Rail\Stops;

use DuskRail\Data\SeriesTable;
use DuskRail\Rail\Field;
use DuskRail\Rail\Outcome;
use DuskRail\Rail\Scope;
use DuskRail\Rail\Settings;
use DuskRail\Rail\Stop;
use DuskRail\Statistics\RollingMean;
use DuskRail\Time\Frequency;

/**
 * The trailing mean of the last periods. A window with fewer values than needed gives no value, so by default a series
 * starts `window − 1` periods late and a gap stays a gap until it has left the window.
 */
final readonly class Rolling implements Stop
{
    private const LONGEST = 10_000;

    /** @param int $needed values a window must hold; 0 means all of them */
    private function __construct(private int $window, private int $needed) {}

    public static function type(): string
    {
        return 'rolling';
    }

    public static function title(): string
    {
        return 'Rolling mean';
    }

    public static function purpose(): string
    {
        return 'calms the noise over the last few periods';
    }

    public static function usual(SeriesTable $arriving, Scope $scope): self
    {
        return new self($arriving->axis->frequency->usualWindow(), 0);
    }

    public static function from(array $settings): self
    {
        $read = new Settings(self::title(), $settings);
        $window = $read->whole('window', 12, 2, self::LONGEST);
        $needed = in_array($read->text('needed', 'all'), ['all', '', '0'], true) ? 0 : $read->whole('needed', 0, 1, self::LONGEST);
        if ($needed > $window) {
            throw $read->wrong("a window of {$window} cannot hold {$needed} values. Ask for {$window} or fewer, or write “all”.");
        }

        return new self($window, $needed === $window ? 0 : $needed);
    }

    public function settings(): array
    {
        return ['window' => $this->window, 'needed' => $this->needed === 0 ? 'all' : $this->needed];
    }

    public function label(SeriesTable $arriving, Scope $scope): string
    {
        $frequency = $arriving->axis->frequency;

        return $frequency === Frequency::Number ? "mean of {$this->window}" : "{$this->window}-{$frequency->value} mean";
    }

    public function phrase(SeriesTable $arriving, Scope $scope): string
    {
        return $this->label($arriving, $scope);
    }

    public function fields(SeriesTable $arriving, Scope $scope): array
    {
        $noun = $arriving->axis->frequency === Frequency::Number ? 'values' : "{$arriving->axis->frequency->value}s";

        return [
            Field::number('window', "mean of the last so many {$noun}:", $this->window),
            Field::text('needed', 'values needed:', $this->needed === 0 ? 'all' : (string) $this->needed, '“all”, or a number'),
        ];
    }

    public function refusal(SeriesTable $arriving, Scope $scope): ?string
    {
        return null;
    }

    public function apply(SeriesTable $arriving, Scope $scope): Outcome
    {
        $needed = $this->needed === 0 ? $this->window : $this->needed;
        $table = $arriving->map(fn(array $values): array => RollingMean::trailing($values, $this->window, $needed));

        return new Outcome($table, [], $this->needed === 0 ? '' : "at least {$this->needed} of {$this->window}");
    }
}
