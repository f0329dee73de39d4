<?php

declare(strict_types=1);

namespace DuskRail\Study\Parts;

use DuskRail\Data\Better;
use DuskRail\Rail\Field;
use DuskRail\Rail\Settings;
use DuskRail\Statistics\TheilSen;
use DuskRail\Study\Comparison;
use DuskRail\Study\Line;
use DuskRail\Study\LineState;
use DuskRail\Study\Study;

/** Who is in focus: those chosen by hand, or those that a rule finds in the figures, and finds again in new ones. */
final readonly class RulePart implements Part
{
    /**
     * @param 'hand'|'top'|'bottom'|'past'|'group' $by
     * @param 'latest'|'change'|'slope'|'rank' $of what top and bottom go by
     * @param int $count of those at the top or bottom, at most as many as there are hues
     * @param float|null $value that those past it have passed, in the direction that is better (upwards where neither is)
     */
    public function __construct(public string $by = 'hand', public string $of = 'latest', public int $count = 3, public ?float $value = null, public string $group = '') {}

    public static function read(array $settings): static
    {
        $read = new Settings('Focus', $settings);
        /** @var 'hand'|'top'|'bottom'|'past'|'group' $by */
        $by = $read->oneOf('by', 'hand', ['hand', 'top', 'bottom', 'past', 'group']);
        /** @var 'latest'|'change'|'slope'|'rank' $of */
        $of = $read->oneOf('of', 'latest', ['latest', 'change', 'slope', 'rank']);

        return new self($by, $of, $read->whole('count', 3, 1, Study::MOST_FOCUS), $read->number('value'), $read->text('group'));
    }

    public function toArray(): array
    {
        return get_object_vars($this);
    }

    public function fields(Comparison $comparison): array
    {
        $groups = array_values(array_unique(array_filter(array_map(static fn(Line $line): string => $line->isGroup() ? '' : $line->group, $comparison->lines))));
        $counts = array_map(strval(...), range(1, Study::MOST_FOCUS));

        return [
            Field::choice('by', 'in focus', $this->by, ['hand' => 'whom I choose', 'top' => 'the highest', 'bottom' => 'the lowest', 'past' => 'those past a value', ...($groups === [] ? [] : ['group' => 'a group'])]),
            ...(in_array($this->by, ['top', 'bottom'], true) ? [
                Field::choice('count', 'so many:', (string) $this->count, array_combine($counts, $counts)),
                Field::choice('of', 'by', $this->of, ['latest' => 'latest value', 'change' => 'change over what is shown', 'slope' => 'slope', 'rank' => 'place']),
            ] : []),
            ...($this->by === 'past' ? [Field::limit('value', 'namely', $this->value, 'a value')] : []),
            ...($this->by === 'group' ? [Field::choice('group', 'namely', $this->group, ['' => 'choose …'] + array_combine($groups, $groups))] : []),
        ];
    }

    /**
     * Whom the rule finds.
     *
     * @return array<string, int> hue by line; those found by the rule before keep theirs
     */
    public function outcome(Comparison $comparison): array
    {
        $lines = array_filter($comparison->lines, static fn(Line $line): bool => $line->state !== LineState::Off && $line->last !== null && ! $line->isGroup());
        $lower = $comparison->data->better === Better::Lower;
        $chosen = match ($this->by) {
            'past' => $this->value === null ? [] : array_filter($lines, fn(Line $line): bool => $lower ? $line->latest() <= $this->value : $line->latest() >= $this->value),
            'group' => array_filter($lines, fn(Line $line): bool => $line->group === $this->group && $this->group !== ''),
            default => $lines,
        };
        $by = [];
        foreach ($chosen as $line) {
            $by[$line->key] = $this->figure($line, $comparison, $lower);
        }
        $by = array_filter($by, static fn(float $v): bool => ! is_nan($v));
        $this->by === 'bottom' || ($this->by !== 'top' && $lower) ? asort($by) : arsort($by);
        $keys = array_map(strval(...), array_keys(array_slice($by, 0, in_array($this->by, ['top', 'bottom'], true) ? $this->count : Study::MOST_FOCUS, true)));
        $kept = array_intersect_key($comparison->study->focus, array_flip($keys));
        $free = array_values(array_diff(range(1, Study::MOST_FOCUS), $kept));
        $focus = [];
        foreach ($keys as $key) {
            $focus[$key] = $kept[$key] ?? array_shift($free) ?? 1;
        }

        return $focus;
    }

    private function figure(Line $line, Comparison $comparison, bool $lower): float
    {
        $first = $line->first($comparison->from) ?? 0;

        return match (in_array($this->by, ['top', 'bottom'], true) ? $this->of : 'latest') {
            'change' => $line->latest() - $line->values[$first],
            'slope' => TheilSen::slope(array_slice($line->values, $first, (int) $line->last - $first + 1)),
            // The first place is the top.
            'rank' => $lower ? -$line->latest() : $line->latest(),
            default => $line->latest(),
        };
    }
}
