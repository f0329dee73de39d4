<?php

declare(strict_types=1);

namespace DuskRail\Study\Parts;

use DuskRail\Rail\Field;
use DuskRail\Rail\Settings;
use DuskRail\Study\Comparison;
use DuskRail\Time\Period;
use DuskRail\Time\UnknownPeriod;

/** What is marked on the picture: events, spells, values, drop lines and notes, tied to the data and not to pixels. */
final readonly class MarksPart implements Part
{
    public const KINDS = ['event', 'spell', 'value', 'point', 'drop', 'note'];

    public const MOST = 24;

    private const LONGEST = 120;

    /** @param list<array{kind: string, at: string, to: string, line: string, value: float|null, text: string, shape: string, size: string}> $marks */
    public function __construct(public array $marks = []) {}

    public static function read(array $settings): static
    {
        $marks = [];
        $given = $settings['marks'] ?? [];
        foreach (is_array($given) ? $given : throw (new Settings('Marks', []))->wrong('“marks” must be a list.') as $mark) {
            $marks[] = self::mark(is_array($mark) ? $mark : []);
        }
        if (count($marks) > self::MOST) {
            throw (new Settings('Marks', []))->wrong('more than '.self::MOST.' marks are more than anybody reads. Remove one first.');
        }

        return new self($marks);
    }

    /** @param array<array-key, mixed> $mark */
    public function with(array $mark): self
    {
        return self::read(['marks' => [...$this->marks, $mark]]);
    }

    public function without(int $number): self
    {
        return new self(array_values(array_diff_key($this->marks, [$number => true])));
    }

    public function toArray(): array
    {
        return ['marks' => $this->marks];
    }

    public function fields(Comparison $comparison): array
    {
        $lines = [];
        foreach ($comparison->present() as $line) {
            $lines[$line->key] = $line->name;
        }
        $focus = $comparison->focus()[0] ?? null;

        return [
            Field::choice('kind', 'mark', 'event', ['event' => 'an event', 'spell' => 'a spell', 'value' => 'a value', 'point' => 'a point, with a shape', 'drop' => 'a point, with a drop line', 'note' => 'a point, with a note']),
            Field::text('at', 'in', '', 'a year or a period'),
            Field::text('to', 'until', '', 'of a spell'),
            Field::limit('value', 'value', null, 'of a value'),
            Field::choice('line', 'of', $focus->key ?? '', $lines),
            Field::text('text', 'saying', '', 'a few words'),
            Field::choice('shape', 'a point as', '', ['' => 'as usual', 'dot' => 'a dot', 'ring' => 'a ring', 'square' => 'a square', 'diamond' => 'a diamond', 'triangle' => 'a triangle', 'none' => 'nothing']),
            Field::choice('size', 'of size', 'usual', ['small' => 'small', 'usual' => 'usual', 'large' => 'large']),
        ];
    }

    /**
     * @param array<array-key, mixed> $mark
     * @return array{kind: string, at: string, to: string, line: string, value: float|null, text: string, shape: string, size: string}
     */
    private static function mark(array $mark): array
    {
        $read = new Settings('Mark', $mark);
        $kind = $read->oneOf('kind', 'event', self::KINDS);
        [$at, $to, $text] = [$read->text('at'), $read->text('to'), mb_substr($read->text('text'), 0, self::LONGEST)];
        $value = $kind === 'value' ? $read->number('value') : null;
        if ($kind === 'value' && $value === null) {
            throw $read->wrong('say which value.');
        }
        foreach ($kind === 'value' ? [] : ($kind === 'spell' ? [$at, $to] : [$at]) as $period) {
            try {
                Period::parse($period);
            } catch (UnknownPeriod $problem) {
                throw $read->wrong($period === '' ? 'say in which period'.($kind === 'spell' ? ' it begins and ends' : '').', as in 2022-07.' : $problem->getMessage());
            }
        }
        if ($kind === 'note' && $text === '') {
            throw $read->wrong('a note needs words.');
        }

        // A note points with its arrow, and needs no shape beside it.
        $shape = $read->oneOf('shape', '', ['', ...LookPart::SHAPES]) ?: (['point' => 'ring', 'drop' => 'dot'][$kind] ?? 'none');

        return ['kind' => $kind, 'at' => $kind === 'value' ? '' : $at, 'to' => $kind === 'spell' ? $to : '', 'line' => in_array($kind, ['point', 'drop', 'note'], true) ? $read->text('line') : '', 'value' => $value, 'text' => $text, 'shape' => $shape, 'size' => $read->oneOf('size', 'usual', array_keys(LookPart::SIZES))];
    }
}
