<?php

declare(strict_types=1);

namespace DuskRail\Chart;

use DuskRail\Document\Parts\PointsPart;

/** Draws the marks of telling points, each kind in a group that readers can switch off. */
final readonly class PointMarks
{
    /**
     * @param list<string> $marked `first`, `highest`, `lowest`, `negative`
     * @param float $rim of the ground around a mark, in pixels, that parts it from the line
     */
    public function __construct(private PointsPart $part, private array $marked, private float $rim = 1.4) {}

    /**
     * @param list<float> $values of the line along the axis
     * @param float $radius of a dot that covers as much as each of them
     * @param int|null $open first position of periods that are not finished
     * @return list<Group> of a line; none of values that are outside the plot
     */
    public function of(array $values, PlotArea $plot, Scale $scale, Ink $ink, float $radius, ?int $open = null): array
    {
        $groups = [];
        $points = $this->marked === [] ? null : TellingPoints::of($values, $plot->from, $plot->to, $open);
        foreach ($points === null ? [] : $this->kinds($points, $ink) as $kind => [$positions, $shape, $own]) {
            $marks = [];
            foreach ($positions as $position) {
                $y = $scale->at($values[$position] ?? NAN);
                if (!is_nan($y) && $y >= $plot->top - 1.0 && $y <= $plot->bottom + 1.0) {
                    $x = $plot->x($position);
                    array_push(
                        $marks,
                        ...$this->rim > 0.0 ? Shape::at($shape, $x, $y, $radius + $this->rim, Ink::Sheet) : [],
                        ...Shape::at($shape, $x, $y, $radius, $own),
                    );
                }
            }
            if ($marks !== []) {
                $groups[] = new Group('point-mark', $marks, ['kind' => $kind]);
            }
        }

        return $groups;
    }

    /** @return array<string, array{list<int>, string, Ink}> positions, shape and ink, by what readers switch */
    private function kinds(TellingPoints $points, Ink $ink): array
    {
        $isApart = $this->part->colours === 'apart';
        $kinds = [
            'negative' => [$points->negative, 'square', Ink::Warn],
            'first' => [$points->first === null ? [] : [$points->first], $this->part->first, $ink],
            'lowest' => [$points->lowest, $this->shape('wedge'), $isApart ? Ink::Arm2 : $ink],
            'highest' => [$points->highest, $this->shape('triangle'), $isApart ? Ink::Arm6 : $ink],
        ];

        return array_intersect_key($kinds, array_flip($this->marked));
    }

    private function shape(string $triangle): string
    {
        return $this->part->extremes === 'triangles' ? $triangle : $this->part->extremes;
    }
}
