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
     * @param array<string, 'line'|'columns'|'signs'> $forms of single rows by line, and of whole groups by `g:` and the group
     */
    public function __construct(
        public string $form = 'line',
        public string $scale = 'own',
        public array $points = ['highest', 'lowest', 'last'],
        public string $sort = 'name',
        public bool $downward = false,
        public bool $grouped = true,
        public array $forms = [],
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

        return new self($form, $scale, array_values(array_unique($points)), $read->oneOf('sort', 'name', self::COLUMNS), $read->flag('downward', false), $read->flag('grouped', true), self::forms($settings['forms'] ?? [], $read));
    }

    /** @return array<string, 'line'|'columns'|'signs'> */
    private static function forms(mixed $forms, Settings $read): array
    {
        $known = [];
        foreach (is_array($forms) ? $forms : throw $read->wrong('“forms” must be a list by row.') as $row => $form) {
            if (! in_array($form, ['line', 'columns', 'signs'], true)) {
                throw $read->wrong('a row can be drawn as line, columns or signs.');
            }
            $known[(string) $row] = $form;
        }

        return $known;
    }

    /**
     * How a row is drawn: as was said for it, or for its group, or for all.
     *
     * @return 'line'|'columns'|'signs'
     */
    public function formOf(string $line, string $group): string
    {
        return $this->forms[$line] ?? $this->forms["g:{$group}"] ?? $this->form;
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
