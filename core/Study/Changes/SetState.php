<?php

declare(strict_types=1);

namespace DuskRail\Study\Changes;

use DuskRail\Data\DataSource;
use DuskRail\Study\InvalidStudy;
use DuskRail\Study\LineState;
use DuskRail\Study\Parts\RulePart;
use DuskRail\Study\Study;

/** Puts a line in focus, among the peers, or out of the comparison. */
final readonly class SetState implements Change
{
    private function __construct(private string $entity, private LineState $state) {}

    public static function name(): string
    {
        return 'state';
    }

    public static function from(array $input): self
    {
        $read = new Input($input);
        $state = LineState::tryFrom($read->text('state')) ?? throw InvalidStudy::because('A line can be focus, peer or off.');

        return new self($read->text('entity'), $state);
    }

    public function apply(Study $study, DataSource $data): Study
    {
        $group = str_starts_with($this->entity, 'g:') && in_array(substr($this->entity, 2), $study->lines->groups, true);
        $measure = str_starts_with($this->entity, 'm:') && isset($data->measures()[substr($this->entity, 2)]);
        if (! $group && ! $measure && preg_match('/^y:-?\d{1,7}$/', $this->entity) !== 1 && ! isset($data->entities()[$this->entity])) {
            throw InvalidStudy::because("The data set has no “{$this->entity}”. It may have been renamed; choose it from the roster.");
        }

        // Who chooses by hand keeps what the rule had found, and goes on from there.
        $byHand = Study::dimension($this->entity) === 'e' && $this->state !== LineState::Off ? $study->withPart('rule', new RulePart()) : $study;

        return $byHand->withState($this->entity, $this->state)->inOwnColours($data);
    }

    public function said(DataSource $data): string
    {
        return match ($this->state) {
            LineState::Focus => "Focus on {$this->nameIn($data)}",
            LineState::Peer => "{$this->nameIn($data)} back among the peers",
            LineState::Off => "{$this->nameIn($data)} off",
        };
    }

    private function nameIn(DataSource $data): string
    {
        $key = preg_replace('/^[gmy]:/', '', $this->entity) ?? '';

        return $data->entities()[$this->entity]->name ?? $data->measures()[$key]->name ?? $key;
    }
}
