<?php

declare(strict_types=1);

namespace DuskRail\Study\Parts;

use DomainException;
use DuskRail\Data\Kind;
use DuskRail\Data\Measure;
use DuskRail\Rail\Field;
use DuskRail\Rail\Settings;
use DuskRail\Study\Comparison;
use DuskRail\Study\Scattered;
use DuskRail\Study\ScatterPoint;
use DuskRail\Study\StudyDocument;

/** How two measures are set against each other. */
final readonly class ScatterPart implements Part
{
    public const LINES = ['none', 'mean', 'median', 'weighted', 'value'];

    /**
     * @param string $measure of the horizontal axis; nothing for the first that is not the study's own
     * @param array<array-key, mixed> $rail of the horizontal axis, as a study document writes one
     * @param 'latest'|'mean'|'path' $at the newest period, the mean over what is shown, or a path through the periods
     * @param string $line where each axis is cut in two
     * @param string $size key of the measure that the points are as large as; nothing for all alike
     * @param bool $fits a straight line through each group
     * @param list<string> $corners names of the four corners: upper left, upper right, lower left, lower right
     * @param 'y'|'x' $editing which of the two rails is shown to be changed
     */
    public function __construct(
        public string $measure = '',
        public array $rail = [],
        public string $at = 'latest',
        public string $line = 'median',
        public ?float $lineX = null,
        public ?float $lineY = null,
        public string $size = '',
        public bool $fits = false,
        public array $corners = ['', '', '', ''],
        public ?float $lowX = null,
        public ?float $highX = null,
        public ?float $lowY = null,
        public ?float $highY = null,
        public string $editing = 'y',
    ) {}

    public static function read(array $settings): static
    {
        $read = new Settings('Scatter', $settings);
        /** @var 'latest'|'mean'|'path' $at */
        $at = $read->oneOf('at', 'latest', ['latest', 'mean', 'path']);
        /** @var 'y'|'x' $editing */
        $editing = $read->oneOf('editing', 'y', ['y', 'x']);
        $rail = $settings['rail'] ?? [];
        $corners = array_slice([...array_map(static fn(string $c): string => mb_substr(trim($c), 0, 60), $read->texts('corners')), '', '', '', ''], 0, 4);

        return new self(
            $read->text('measure'),
            is_array($rail) ? StudyDocument::stops(StudyDocument::rail($rail, 'rail')) : throw $read->wrong('“rail” must be a list of stops.'),
            $at,
            $read->oneOf('line', 'median', self::LINES),
            $read->number('lineX'),
            $read->number('lineY'),
            $read->text('size'),
            $read->flag('fits', false),
            $corners,
            $read->number('lowX'),
            $read->number('highX'),
            $read->number('lowY'),
            $read->number('highY'),
            $editing,
        );
    }

    public function toArray(): array
    {
        return get_object_vars($this);
    }

    public function fields(Comparison $comparison): array
    {
        $sizes = array_map(static fn(Measure $m): string => $m->name, array_filter($comparison->data->measures(), static fn(Measure $m): bool => $m->kind !== Kind::Rate));

        return [
            Field::choice('at', 'points', $this->at, ['latest' => 'at the newest period', 'mean' => 'at the mean over what is shown', 'path' => 'as paths through time']),
            Field::choice('line', 'cut at', $this->line, ['none' => 'nothing', 'mean' => 'the means', 'median' => 'the medians', 'weighted' => 'the means weighed by size', 'value' => 'values of my own']),
            ...($this->line === 'value' ? [Field::limit('lineY', 'upwards', $this->lineY, 'none'), Field::limit('lineX', 'along', $this->lineX, 'none')] : []),
            Field::choice('size', 'as large as', $this->size, ['' => 'each other'] + $sizes),
            Field::flag('fits', 'straight lines', $this->fits, 'through each group', 'not drawn'),
            Field::text('corners', 'corners', rtrim(implode(',', $this->corners), ','), 'upper left, upper right, lower left, lower right', true),
            ...$this->sliders($comparison),
        ];
    }

    /** @return list<Field> the ends of both axes beyond which points are left out */
    private function sliders(Comparison $comparison): array
    {
        try {
            $scatter = Scattered::of($comparison);
        } catch (DomainException) {
            return [];
        }
        $points = [...$scatter->points, ...$scatter->leftOut];
        if (count($points) < 2) {
            return [];
        }
        $xs = array_map(static fn(ScatterPoint $p): float => $p->x, $points);
        $ys = array_map(static fn(ScatterPoint $p): float => $p->y, $points);

        return [
            Field::slider('lowX', '→ leave out below', $this->lowX, min($xs), max($xs), false),
            Field::slider('highX', '→ and above', $this->highX, min($xs), max($xs), true),
            Field::slider('lowY', '↑ leave out below', $this->lowY, min($ys), max($ys), false),
            Field::slider('highY', '↑ and above', $this->highY, min($ys), max($ys), true),
        ];
    }
}
