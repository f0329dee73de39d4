<?php

declare(strict_types=1);

namespace DuskRail\Study\Parts;

use DuskRail\Rail\Field;
use DuskRail\Rail\Settings;
use DuskRail\Study\Comparison;

/** How a picture is split into small ones, and how those stand together. */
final readonly class PanelsPart implements Part
{
    public const BY = ['none', 'entity', 'group', 'measure', 'year', 'month'];

    public const ORDERS = ['roster', 'name', 'latest', 'change', 'slope', 'rank', 'hand'];

    /**
     * @param int $columns 1 to 8, or 0 to fill the width
     * @param 'same'|'own'|'span' $scale one vertical scale for all, one each, or of the same span about each one's middle
     * @param bool $behind draw every other series faintly behind
     * @param list<string> $hand keys of panels in the order in which they were put by hand
     * @param 'edge'|'every'|'range' $axis vertical axis at the left edge, in every panel, or as a range in the heading
     * @param 'above'|'below'|'off' $heading
     * @param 'plain'|'framed'|'striped' $ground
     * @param 'narrow'|'usual'|'wide' $gap
     */
    public function __construct(
        public string $by = 'none',
        public int $columns = 0,
        public string $scale = 'same',
        public bool $behind = true,
        public string $order = 'roster',
        public array $hand = [],
        public string $axis = 'edge',
        public string $heading = 'above',
        public string $ground = 'plain',
        public string $gap = 'usual',
    ) {}

    public static function read(array $settings): static
    {
        $read = new Settings('Panels', $settings);
        /** @var 'same'|'own'|'span' $scale */
        $scale = $read->oneOf('scale', 'same', ['same', 'own', 'span']);
        /** @var 'edge'|'every'|'range' $axis */
        $axis = $read->oneOf('axis', 'edge', ['edge', 'every', 'range']);
        /** @var 'above'|'below'|'off' $heading */
        $heading = $read->oneOf('heading', 'above', ['above', 'below', 'off']);
        /** @var 'plain'|'framed'|'striped' $ground */
        $ground = $read->oneOf('ground', 'plain', ['plain', 'framed', 'striped']);
        /** @var 'narrow'|'usual'|'wide' $gap */
        $gap = $read->oneOf('gap', 'usual', ['narrow', 'usual', 'wide']);

        return new self(
            $read->oneOf('by', 'none', self::BY),
            $read->whole('columns', 0, 0, 8),
            $scale,
            $read->flag('behind', true),
            $read->oneOf('order', 'roster', self::ORDERS),
            $read->texts('hand'),
            $axis,
            $heading,
            $ground,
            $gap,
        );
    }

    public function toArray(): array
    {
        return get_object_vars($this);
    }

    public function fields(Comparison $comparison): array
    {
        $fields = [Field::choice('by', 'a panel for each', $this->by, ['none' => 'nothing: one picture', 'entity' => 'line', 'group' => 'group', 'measure' => 'measure', 'year' => 'year', 'month' => 'part of the year, years along'])];
        if ($this->by === 'none') {
            return $fields;
        }

        return [
            ...$fields,
            Field::choice('columns', 'in a row', (string) $this->columns, ['0' => 'as many as fit', ...array_combine(array_map(strval(...), range(1, 8)), array_map(strval(...), range(1, 8)))]),
            Field::choice('scale', 'scale', $this->scale, ['same' => 'the same for all', 'own' => 'one each', 'span' => 'same span, own middle']),
            Field::choice('order', 'ordered', $this->order, ['roster' => 'as the roster', 'name' => 'by name', 'latest' => 'highest first', 'change' => 'largest rise first', 'slope' => 'steepest first', 'rank' => 'best first', 'hand' => 'by hand']),
            Field::flag('behind', 'all others', $this->behind, 'faint behind', 'not drawn'),
            Field::choice('axis', 'values', $this->axis, ['edge' => 'at the left edge', 'every' => 'in every panel', 'range' => 'as a range in the heading']),
            Field::choice('heading', 'heading', $this->heading, ['above' => 'above', 'below' => 'below', 'off' => 'none']),
            Field::choice('ground', 'ground', $this->ground, ['plain' => 'plain', 'framed' => 'framed', 'striped' => 'every other one tinted']),
            Field::choice('gap', 'gaps', $this->gap, ['narrow' => 'narrow', 'usual' => 'usual', 'wide' => 'wide']),
        ];
    }
}
