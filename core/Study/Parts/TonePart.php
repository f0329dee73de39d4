<?php

declare(strict_types=1);

namespace DuskRail\Study\Parts;

use DuskRail\Rail\Field;
use DuskRail\Rail\Settings;
use DuskRail\Study\Comparison;

/** Whole lines coloured by one figure of theirs. */
final readonly class TonePart implements Part
{
    /**
     * @param 'none'|'latest'|'change'|'place'|'target' $by its latest value, its change over what is shown, its place among
     *     all, or its distance from the target
     * @param 'rising'|'about' $scale from pale to strong, or with two arms about a value
     * @param float|null $middle that the two arms part at; the target or the peers' line where none is given
     */
    public function __construct(public string $by = 'none', public string $scale = 'rising', public ?float $middle = null) {}

    public static function read(array $settings): static
    {
        $read = new Settings('Colour', $settings);
        /** @var 'none'|'latest'|'change'|'place'|'target' $by */
        $by = $read->oneOf('by', 'none', ['none', 'latest', 'change', 'place', 'target']);
        /** @var 'rising'|'about' $scale */
        $scale = $read->oneOf('scale', 'rising', ['rising', 'about']);

        return new self($by, $scale, $read->number('middle'));
    }

    public function toArray(): array
    {
        return get_object_vars($this);
    }

    public function fields(Comparison $comparison): array
    {
        $divides = $this->scale === 'about' && in_array($this->by, ['latest', 'change'], true);

        return [
            Field::choice('by', 'lines coloured by', $this->by, ['none' => 'who is in focus', 'latest' => 'their latest value', 'change' => 'their change over what is shown', 'place' => 'their place', ...($comparison->study->peers->target->isNone() && $this->by !== 'target' ? [] : ['target' => 'their distance from the target'])]),
            ...($this->by === 'none' || $this->by === 'target' ? [] : [Field::choice('scale', 'on a scale', $this->scale, ['rising' => 'from pale to strong', 'about' => 'with two arms'])]),
            ...($divides ? [Field::limit('middle', 'about', $this->middle, $this->by === 'change' ? '0' : 'the peers')] : []),
        ];
    }
}
