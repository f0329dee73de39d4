<?php

declare(strict_types=1);

namespace DuskRail\Document\Changes;

use DuskRail\Data\DataSource;
use DuskRail\Document\InvalidStudy;
use DuskRail\Document\LineState;
use DuskRail\Document\Parts\LinesPart;
use DuskRail\Document\Parts\OverlayPart;
use DuskRail\Document\Parts\RulePart;
use DuskRail\Document\Study;

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
        $state =
            LineState::tryFrom($read->text('state')) ??
            throw InvalidStudy::because('A line can be focus, peer or off.');

        return new self($read->text('entity'), $state);
    }

    public function apply(Study $study, DataSource $data): Study
    {
        $group =
            str_starts_with($this->entity, 'g:') &&
            in_array(substr($this->entity, 2), $study->part(LinesPart::class)->groups, true);
        $measure = str_starts_with($this->entity, 'm:') && isset($data->measures()[substr($this->entity, 2)]);
        if (
            !$group &&
            !$measure &&
            preg_match('/^y:-?\d{1,7}$/', $this->entity) !== 1 &&
            !isset($data->entities()[$this->entity])
        ) {
            throw InvalidStudy::because(
                "The data set has no “{$this->entity}”. It may have been renamed; choose it from the roster.",
            );
        }

        // A manual choice keeps the rule's result and ends the rule.
        $byHand =
            Study::dimension($this->entity) === 'e' && $this->state !== LineState::Off
                ? $study->withPart(new RulePart())
                : $study;

        return $this->withYears($byHand)->withState($this->entity, $this->state)->inOwnColours($data);
    }

    /** One of the latest years that is taken out of the focus leaves in colour those that were chosen. */
    private function withYears(Study $study): Study
    {
        $part = $study->part(OverlayPart::class);
        $isColouredByItself =
            Study::dimension($this->entity) === 'y' &&
            $this->state === LineState::Peer &&
            !isset($study->focus[$this->entity]) &&
            !in_array($this->entity, $study->off, true);

        return $isColouredByItself && $part->coloured === 'latest'
            ? $study->withPart($part->with(['coloured' => 'chosen']))
            : $study;
    }

    public function inWords(Study $before, Study $after, DataSource $data): string
    {
        return match ($this->state) {
            LineState::Focus => "Focus on {$this->nameIn($data)}",
            LineState::Peer => "Show {$this->nameIn($data)} as a peer",
            LineState::Off => "Hide {$this->nameIn($data)}",
        };
    }

    private function nameIn(DataSource $data): string
    {
        $key = preg_replace('/^[gmy]:/', '', $this->entity) ?? '';

        return $data->entities()[$this->entity]->name ?? ($data->measures()[$key]->name ?? $key);
    }
}
