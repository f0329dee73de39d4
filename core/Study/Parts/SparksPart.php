<?php

declare(strict_types=1);

namespace DuskRail\Study\Parts;

use DuskRail\Rail\Field;
use DuskRail\Rail\Settings;
use DuskRail\Study\Comparison;

/** What stands in the rows of the Sparks view. */
final readonly class SparksPart implements Part
{
    public const COLUMNS = ['name', 'latest', 'change', 'growth', 'rank', 'trend'];

    public const POINTS = ['highest', 'lowest', 'first', 'last', 'negative', 'all'];

    /**
     * @param 'line'|'columns'|'signs' $form tiny line, columns, or only up and down about zero
     * @param 'own'|'common' $scale
     * @param list<string> $points which points are marked
     * @param bool $downward the highest first
     */
    public function __construct(
        public string $form = 'line',
        public string $scale = 'own',
        public array $points = ['highest', 'lowest', 'last'],
        public string $sort = 'name',
        public bool $downward = false,
        public bool $grouped = true,
    ) {}

    public static function read(array $settings): static
    {
        $read = new Settings('Sparks', $settings);
        /** @var 'line'|'columns'|'signs' $form */
        $form = $read->oneOf('form', 'line', ['line', 'columns', 'signs']);
        /** @var 'own'|'common' $scale */
        $scale = $read->oneOf('scale', 'own', ['own', 'common']);
        $points = isset($settings['points']) ? $read->texts('points') : ['highest', 'lowest', 'last'];
        if (array_diff($points, self::POINTS) !== []) {
            throw $read->wrong('the points that can be marked are '.implode(', ', self::POINTS).'.');
        }

        return new self($form, $scale, array_values(array_unique($points)), $read->oneOf('sort', 'name', self::COLUMNS), $read->flag('downward', false), $read->flag('grouped', true));
    }

    public function toArray(): array
    {
        return get_object_vars($this);
    }

    public function fields(Comparison $comparison): array
    {
        return [
            Field::choice('form', 'each as', $this->form, ['line' => 'a line', 'columns' => 'columns', 'signs' => 'ups and downs about zero']),
            Field::choice('scale', 'on', $this->scale, ['own' => 'a scale of its own', 'common' => 'a common scale']),
            Field::several('points', 'marked:', $this->points, ['highest' => 'highest', 'lowest' => 'lowest', 'first' => 'first', 'last' => 'last', 'negative' => 'below zero', 'all' => 'all']),
            Field::flag('grouped', 'rows', $this->grouped, 'by group, with totals', 'all in one list'),
        ];
    }
}
