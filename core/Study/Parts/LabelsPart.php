<?php

declare(strict_types=1);

namespace DuskRail\Study\Parts;

use DuskRail\Rail\Field;
use DuskRail\Rail\Settings;
use DuskRail\Study\Comparison;

/** What is written beside the lines. */
final readonly class LabelsPart implements Part
{
    public const POINTS = ['first', 'last', 'highest', 'lowest'];

    /**
     * @param 'both'|'name'|'value'|'none' $end what stands at the end of a line
     * @param list<string> $points of the lines in focus whose values are written
     * @param int $more up to so many further points of each line, the most telling first: its turning points
     * @param 'auto'|'above'|'below' $side
     * @param bool $backed on a ground of their own
     */
    public function __construct(public string $end = 'both', public array $points = [], public int $more = 0, public string $side = 'auto', public bool $backed = false) {}

    public static function read(array $settings): static
    {
        $read = new Settings('Labels', $settings);
        /** @var 'both'|'name'|'value'|'none' $end */
        $end = $read->oneOf('end', 'both', ['both', 'name', 'value', 'none']);
        /** @var 'auto'|'above'|'below' $side */
        $side = $read->oneOf('side', 'auto', ['auto', 'above', 'below']);
        $points = $read->texts('points');
        if (array_diff($points, self::POINTS) !== []) {
            throw $read->wrong('the points that can be labelled are '.implode(', ', self::POINTS).'.');
        }

        return new self($end, array_values(array_unique($points)), $read->whole('more', 0, 0, 200), $side, $read->flag('backed', false));
    }

    public function toArray(): array
    {
        return get_object_vars($this);
    }

    public function fields(Comparison $comparison): array
    {
        return [
            Field::choice('end', 'at the end of a line', $this->end, ['both' => 'name and value', 'name' => 'its name', 'value' => 'its value', 'none' => 'nothing']),
            Field::several('points', 'values of the focus:', $this->points, ['first' => 'first', 'last' => 'last', 'highest' => 'highest', 'lowest' => 'lowest']),
            Field::choice('more', 'and', (string) $this->more, ['0' => 'no others', '2' => 'two turning points', '5' => 'five', '12' => 'a dozen', '200' => 'as many as fit']),
            Field::choice('side', 'placed', $this->side, ['auto' => 'where there is room', 'above' => 'above', 'below' => 'below']),
            Field::flag('backed', 'on', $this->backed, 'a ground of their own', 'the picture as it is'),
        ];
    }
}
