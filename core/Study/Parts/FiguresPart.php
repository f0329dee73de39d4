<?php

declare(strict_types=1);

namespace DuskRail\Study\Parts;

use DuskRail\Rail\Field;
use DuskRail\Rail\Settings;
use DuskRail\Study\Comparison;

/** How the figures stand in their table. */
final readonly class FiguresPart implements Part
{
    /**
     * @param 'periods'|'lines'|'years' $down what the rows are: periods with the lines across, lines with the periods across, or
     *     the years of one line with the months across
     * @param string $sort key of the column that the rows are in the order of; nothing for as they come
     */
    public function __construct(public string $down = 'periods', public bool $shaded = false, public string $sort = '', public bool $downward = true) {}

    public static function read(array $settings): static
    {
        $read = new Settings('Figures', $settings);
        /** @var 'periods'|'lines'|'years' $down */
        $down = $read->oneOf('down', 'periods', ['periods', 'lines', 'years']);

        return new self($down, $read->flag('shaded', false), $read->text('sort'), $read->flag('downward', true));
    }

    public function toArray(): array
    {
        return get_object_vars($this);
    }

    public function fields(Comparison $comparison): array
    {
        return [
            Field::choice('down', 'rows are', $this->down, ['periods' => 'periods, newest first', 'lines' => 'lines, periods across', 'years' => 'years of one line, their parts across']),
            Field::flag('shaded', 'cells', $this->shaded, 'shaded by size', 'plain'),
        ];
    }
}
