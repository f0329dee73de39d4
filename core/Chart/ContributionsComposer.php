<?php

declare(strict_types=1);

namespace DuskRail\Chart;

use DuskRail\Outcome\Contributed;
use DuskRail\Outcome\ContributionRow;
use DuskRail\Words\ContributionWords;

/** The Contributions view: bars that step from one value of a whole to the other, a row for each. */
final readonly class ContributionsComposer
{
    private const NARROW = 560.0;

    /** From this width on there is room for what each was and is, beside its bar. */
    private const WIDE = 720.0;

    private const LEAST_ROW = 23.0;

    private const LARGEST_ROW = 60.0;

    private const SHARE = 86.0;

    public function __construct(private TextMeasure $measure) {}

    public function compose(Contributed $contributed, float $width, float $height): Scene
    {
        $type = Type::text($width < self::NARROW ? 12.5 : 13.5);
        $bold = Type::text($type->size, 700);
        $lanes = ContributionLanes::of($contributed);
        $keys = $width < self::WIDE ? count($lanes->names()) : min(1, count($lanes->names()));
        $notes = count(ContributionWords::notes($contributed));
        $foot = 10.0 + ContributionsPainter::KEY_LINE * ($keys + $notes);
        $count = count($contributed->rows) + 2;
        $each = max(self::LEAST_ROW, min(self::LARGEST_ROW, ($height - $foot) / $count));
        $rooms = $width < self::WIDE ? [] : $this->columns($contributed, $type);
        $names = $this->names($contributed, $bold, $width);
        $numbers = $this->numbers($contributed, $bold);
        $right = $width - array_sum($rooms);
        $left = $names + 14.0 + $numbers;
        $columns = [];
        foreach (array_keys($rooms) as $i) {
            $columns[] = $right + array_sum(array_slice($rooms, 0, $i + 1));
        }
        $along = self::scale($lanes->path($contributed), $left, max($left + 40.0, $right - $numbers));
        $painter = new ContributionsPainter(
            $this->measure,
            $contributed,
            $lanes,
            $along,
            $type,
            $names,
            $right,
            $columns,
            $each,
        );
        $y = $each / 2.0;
        $marks = [
            $painter->guides($y, $y + $each * ($count - 1)),
            ...$painter->columns(ContributionsPainter::heads($contributed), $y, true),
            $painter->end(false, $y),
        ];
        $value = $contributed->result->before;
        foreach ($contributed->rows as $row) {
            $y += $each;
            $marks[] = $painter->row($row, $value, $y);
            $own = $row->own();
            $texts = [
                $own === null ? '' : ContributionWords::fromTo($contributed, $own),
                ContributionWords::percent($contributed->share($row->change)),
            ];
            array_push($marks, ...$painter->columns($texts, $y, false));
            $value += $row->change;
        }
        $y += $each;
        $marks[] = $painter->end(true, $y);
        if ($keys > 0) {
            $marks[] = $painter->key($y + $each / 2.0 + 16.0);
        }

        if ($notes > 0) {
            $marks[] = $painter->notes($y + $each / 2.0 + 16.0 + ContributionsPainter::KEY_LINE * $keys, $width);
        }

        return new Scene(
            $width,
            max($height, $y + $each / 2.0 + $foot),
            $marks,
            null,
            $contributed->comparison->measure->name,
            ContributionWords::summary($contributed),
        );
    }

    /** @param non-empty-list<float> $values along the way from one end to the other */
    public static function scale(array $values, float $left, float $right): Scale
    {
        [$low, $high] = [min($values), max($values)];
        $spare = $low === $high ? max(1.0, abs($low) * 0.1) : 0.0;

        return new Scale($low - $spare, $high + $spare, $left, $right);
    }

    /** Room for the names. */
    private function names(Contributed $contributed, Type $type, float $width): float
    {
        $names = array_map(
            static fn(ContributionRow $row): string => ContributionWords::name($contributed, $row),
            $contributed->rows,
        );
        $widths = array_map(
            fn(string $name): float => $this->measure->width($name, $type),
            [...$names, ...$contributed->ends],
        );

        return min(max([0.0, ...$widths]), $width * ($width < self::NARROW ? 0.3 : 0.22));
    }

    /** Room for the numbers beside bars. */
    private function numbers(Contributed $contributed, Type $type): float
    {
        $precision = $contributed->precision;
        $widths = array_map(
            fn(float $change): float => $this->measure->width($precision->signed($change), $type),
            array_column($contributed->rows, 'change'),
        );

        return max([0.0, ...$widths]) + 16.0;
    }

    /** @return list<float> widths of the columns beside the bars: what each was and is, and its share of the change */
    private function columns(Contributed $contributed, Type $type): array
    {
        $widest = $this->measure->width(ContributionsPainter::heads($contributed)[0], $type);
        foreach ($contributed->members as $row) {
            $widest = max($widest, $this->measure->width(
                ContributionWords::fromTo($contributed, $row->of[0]),
                $type,
            ));
        }

        return [$widest + 24.0, ...$contributed->hasShares ? [self::SHARE] : []];
    }
}
