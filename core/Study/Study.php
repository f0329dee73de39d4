<?php

declare(strict_types=1);

namespace DuskRail\Study;

use DuskRail\Data\DataSource;
use DuskRail\Data\UnknownMeasure;
use DuskRail\Rail\Pool;
use DuskRail\Rail\Rail;
use DuskRail\Rail\Scope;
use DuskRail\Time\PeriodRange;

/** One comparison: what is compared, what is done to the figures, how it is drawn, and in what words. */
final readonly class Study
{
    /** As many lines as the palette has hues. */
    public const MOST_FOCUS = 6;

    /**
     * @param array<string, int> $focus hue 1–6 by entity key, in the order in which they were chosen
     * @param list<string> $off entity keys taken out of the comparison
     * @param PeriodRange|null $range the periods shown; null for all that there are
     * @param bool $fromZero start the vertical axis at zero however far that is
     * @param list<string> $dismissed ids of signals that were put away
     */
    public function __construct(
        public string $name,
        public string $measure,
        public Rail $rail,
        public array $focus = [],
        public array $off = [],
        public ?PeriodRange $range = null,
        public View $view = View::Lines,
        public RosterSort $sort = RosterSort::Name,
        public PeerSummary $peers = new PeerSummary(),
        public Words $words = new Words(),
        public bool $fromZero = false,
        public array $dismissed = [],
    ) {}

    /** The study one starts with: home (or the first entity) before quiet peers, as they come. */
    public static function first(string $name, string $measure, DataSource $data): self
    {
        $focus = null;
        foreach ($data->entities() as $entity) {
            $focus = $entity->home || $focus === null ? $entity->key : $focus;
        }

        return new self($name, $measure, Rail::of(), $focus === null ? [] : [$focus => 1]);
    }

    /** @param array{name?: string, measure?: string, rail?: Rail, focus?: array<string, int>, off?: list<string>, range?: PeriodRange|null, view?: View, sort?: RosterSort, peers?: PeerSummary, words?: Words, fromZero?: bool, dismissed?: list<string>} $parts */
    public function with(array $parts): self
    {
        return new self(
            $parts['name'] ?? $this->name,
            $parts['measure'] ?? $this->measure,
            $parts['rail'] ?? $this->rail,
            $parts['focus'] ?? $this->focus,
            $parts['off'] ?? $this->off,
            array_key_exists('range', $parts) ? $parts['range'] : $this->range,
            $parts['view'] ?? $this->view,
            $parts['sort'] ?? $this->sort,
            $parts['peers'] ?? $this->peers,
            $parts['words'] ?? $this->words,
            $parts['fromZero'] ?? $this->fromZero,
            $parts['dismissed'] ?? $this->dismissed,
        );
    }

    /** @throws UnknownMeasure */
    public function scope(DataSource $data): Scope
    {
        $measure = $data->measures()[$this->measure] ?? throw UnknownMeasure::named($this->measure);

        return Scope::of($data, array_map(strval(...), array_keys($this->focus)), $this->off, $measure->better, $this->pools($data));
    }

    /** @return list<Pool> what is calculated of several entities as if they were one */
    private function pools(DataSource $data): array
    {
        if ($this->peers->line !== PeerLine::Together) {
            return [];
        }
        $peers = [];
        foreach ($data->entities() as $entity) {
            if ($this->state($entity->key) === LineState::Peer && in_array($this->peers->group, ['', $entity->group], true)) {
                $peers[] = $entity->key;
            }
        }

        return [Pool::average(PeerSummary::POOL, $this->peers->lineName(), $peers)];
    }

    public function state(string $entity): LineState
    {
        return match (true) {
            isset($this->focus[$entity]) => LineState::Focus,
            in_array($entity, $this->off, true) => LineState::Off,
            default => LineState::Peer,
        };
    }

    /** @throws InvalidStudy when every hue is taken */
    public function withState(string $entity, LineState $state): self
    {
        $focus = $this->focus;
        $off = array_values(array_diff($this->off, [$entity]));
        if ($state !== LineState::Focus) {
            unset($focus[$entity]);
        } elseif (! isset($focus[$entity])) {
            $free = array_values(array_diff(range(1, self::MOST_FOCUS), $focus));
            $focus[$entity] = $free[0] ?? throw InvalidStudy::because(
                'Six lines are in focus, and more colours could not be told apart. Let one go first.',
            );
        }

        return $this->with(['focus' => $focus, 'off' => $state === LineState::Off ? [...$off, $entity] : $off]);
    }
}
