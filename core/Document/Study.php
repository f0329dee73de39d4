<?php

declare(strict_types=1);

namespace DuskRail\Document;

use DuskRail\Data\DataSlice;
use DuskRail\Data\DataSource;
use DuskRail\Data\Entity;
use DuskRail\Data\IncompleteSum;
use DuskRail\Data\Spacing;
use DuskRail\Data\UnknownMeasure;
use DuskRail\Data\WithAttributes;
use DuskRail\Document\Parts\BreakdownsPart;
use DuskRail\Document\Parts\ConventionsPart;
use DuskRail\Document\Parts\LinesPart;
use DuskRail\Document\Parts\LookPart;
use DuskRail\Document\Parts\Part;
use DuskRail\Document\Parts\PeerLine;
use DuskRail\Document\Parts\PeersPart;
use DuskRail\Document\Parts\RulePart;
use DuskRail\Document\Parts\ScatterPart;
use DuskRail\Peers\ChosenPeers;
use DuskRail\Peers\Membership;
use DuskRail\Rail\Pool;
use DuskRail\Rail\Rail;
use DuskRail\Rail\Scope;
use DuskRail\Time\PeriodRange;

/** One comparison: what is compared, what is done to the data, how it is drawn, and in what words. */
final readonly class Study
{
    /** As many lines as the palette has hues. */
    public const MOST_FOCUS = 6;

    /**
     * @param array<string, int> $focus hue 1–6 by line, in the order in which they were chosen. A line is known by the
     *     key of its entity, or `g:` and a group, `m:` and a measure, `y:` and a year.
     * @param list<string> $off lines taken out of the comparison
     * @param PeriodRange|null $range the periods shown; null for all that there are
     * @param string $view name of the view it is looked at in
     * @param list<string> $dismissed ids of signals that were dismissed
     * @param PartSet $parts the settings of each view, and of each thing that is drawn
     * @param array<string, string> $units see ValuesByHand
     */
    public function __construct(
        public string $name,
        public string $measure,
        public Rail $rail,
        public array $focus = [],
        public array $off = [],
        public ?PeriodRange $range = null,
        public string $view = 'lines',
        public RosterSort $sort = RosterSort::Name,
        public OwnWords $words = new OwnWords(),
        public array $dismissed = [],
        public PartSet $parts = new PartSet(),
        public array $units = [],
    ) {}

    /** The study one starts with: home (or the first entity) before quiet peers, as they come. */
    public static function first(string $name, string $measure, DataSource $data): self
    {
        $isOfDates = isset($data->measures()[$measure]) && Spacing::of($data->table($measure))->isIrregular;

        return self::opening($name, $measure, $data->entities(), $isOfDates)->inOwnColours($data);
    }

    /** @param iterable<Entity> $entities */
    public static function opening(string $name, string $measure, iterable $entities, bool $isOfDates): self
    {
        $focus = null;
        $off = [];
        foreach ($entities as $entity) {
            $isFirst = $focus === null && !$entity->isApart();
            $focus = $entity->home || $isFirst ? $entity->key : $focus;
            if ($entity->isLarge() && !$entity->home) {
                $off[] = $entity->key;
            }
        }
        $study = new self($name, $measure, Rail::of(), $focus === null ? [] : [$focus => 1], $off);

        // Of single dates it is shown when anything was measured.
        return $isOfDates ? $study->withPart(new LookPart(points: true)) : $study;
    }

    /**
     * The settings of one view, or of one thing that is drawn.
     *
     * @template P of Part
     *
     * @param class-string<P> $class
     * @return P
     */
    public function part(string $class): Part
    {
        return $this->parts->of($class);
    }

    public function withPart(Part $part): self
    {
        return $this->copy(['parts' => $this->parts->with($part)]);
    }

    /** @param array<string, string> $units */
    public function withUnits(array $units): self
    {
        return $this->copy(['units' => $units]);
    }

    public function withName(string $name): self
    {
        return $this->copy(['name' => $name]);
    }

    public function withMeasure(string $measure): self
    {
        return $this->copy(['measure' => $measure]);
    }

    public function withRail(Rail $rail): self
    {
        return $this->copy(['rail' => $rail]);
    }

    /** @param array<string, int> $focus hue by line */
    public function withFocus(array $focus): self
    {
        return $this->copy(['focus' => $focus]);
    }

    /** @param list<string> $off */
    public function withOff(array $off): self
    {
        return $this->copy(['off' => $off]);
    }

    public function withRange(?PeriodRange $range): self
    {
        return $this->copy(['range' => $range]);
    }

    public function withView(string $view): self
    {
        return $this->copy(['view' => $view]);
    }

    public function withSort(RosterSort $sort): self
    {
        return $this->copy(['sort' => $sort]);
    }

    public function withWords(OwnWords $words): self
    {
        return $this->copy(['words' => $words]);
    }

    /** @param list<string> $dismissed */
    public function withDismissed(array $dismissed): self
    {
        return $this->copy(['dismissed' => $dismissed]);
    }

    /** @throws UnknownMeasure */
    public function scope(DataSource $data): Scope
    {
        $data = $this->slice($data);
        $measure = $data->measures()[$this->measure] ?? throw UnknownMeasure::named($this->measure);

        $chosen = $this->chosenPeers($data);
        // Calculations go by entities; groups, measures and years are only drawn.
        $entities = static fn(int|string ...$lines): array => array_values(
            array_filter(
                array_map(strval(...), $lines),
                static fn(string $line): bool => isset($data->entities()[$line]),
            ),
        );

        return Scope::of(
            $data,
            $entities(...array_keys($this->focus)),
            $entities(...$this->off),
            $measure->better,
            $this->pools($data, $chosen),
            $chosen,
        )->by($this->part(ConventionsPart::class)->conventions());
    }

    /**
     * Whom this study compares with. A set of the data set is of its entities; where categories are the lines, or the
     * set is no longer there, all are compared.
     */
    public function chosenPeers(DataSource $data): ChosenPeers
    {
        $chosen = $this->peersOfSet($data);

        // Of several categories side by side, each is compared within itself.
        return $data instanceof DataSlice && $data->hasPanels()
            ? $chosen->within(array_map(static fn(Entity $e): string => $e->group, $data->entities()))
            : $chosen;
    }

    private function peersOfSet(DataSource $data): ChosenPeers
    {
        $part = $this->part(PeersPart::class);
        $homeToo = $this->part(ConventionsPart::class)->conventions()->homeIsPeer;
        $entities = $data->entities();
        if ($part->group() !== '') {
            $isMember = static fn(Entity $e): bool => $e->group === $part->group();
            $members = array_map(strval(...), array_keys(array_filter($entities, $isMember)));

            return ChosenPeers::group($part->group(), $members, $homeToo);
        }
        $whole = DataSlice::whole($data);
        $rules = $whole->peerSets()[substr($part->set, 4)] ?? null;
        if ($part->set === '' || $rules === null || array_keys($entities) !== array_keys($whole->entities())) {
            return ChosenPeers::all($homeToo);
        }

        return ChosenPeers::set(
            $rules->name,
            Membership::of($rules, $whole, $this->measure)->members(),
            $rules->among(),
            $homeToo,
        );
    }

    /** Data as this study sees them: where values are broken down, those that it asks for. */
    public function slice(DataSource $data): DataSource
    {
        $part = $this->part(BreakdownsPart::class);
        $data = $data instanceof DataSlice ? $data : WithAttributes::of($data, $this->measure);

        return $part->slice($data, $part->shownAs('lines') === '' ? '' : $this->subjectIn(DataSlice::whole($data)));
    }

    /** Key of the entity that is looked at by itself: the one that was chosen, or the first in focus, or home. */
    public function subjectIn(DataSource $data): string
    {
        $entities = $data->entities();
        $home = array_keys(array_filter($entities, static fn(Entity $e): bool => $e->home));
        // A line of a panel is of an entity and a category.
        $focus = array_map(
            static fn(int|string $line): string => isset($entities[$line])
                ? (string) $line
                : explode(':', (string) $line)[0],
            array_keys($this->focus),
        );
        foreach ([$this->part(LinesPart::class)->of, ...$focus, ...$home, ...array_keys($entities)] as $key) {
            if (isset($entities[$key])) {
                return (string) $key;
            }
        }

        return '';
    }

    public function state(string $line): LineState
    {
        return match (true) {
            isset($this->focus[$line]) => LineState::Focus,
            in_array($line, $this->off, true) => LineState::Off,
            default => LineState::Peer,
        };
    }

    /** @throws InvalidStudy when every hue is taken */
    public function withState(string $line, LineState $state): self
    {
        $focus = $this->focus;
        $off = array_values(array_diff($this->off, [$line]));
        if ($state !== LineState::Focus) {
            unset($focus[$line]);
        } elseif (!isset($focus[$line])) {
            $taken = array_filter(
                $focus,
                static fn(string $other): bool => self::dimension($other) === self::dimension($line),
                ARRAY_FILTER_USE_KEY,
            );
            // The latest year and the one before have the first hue.
            $free = array_values(array_diff(range(self::dimension($line) === 'y' ? 2 : 1, self::MOST_FOCUS), $taken));
            $focus[$line] =
                $free[0] ??
                throw InvalidStudy::because('Six lines are in focus, which is the limit. Remove one first.');
        }

        return $this->withFocus($focus)->withOff($state === LineState::Off ? [...$off, $line] : $off);
    }

    /**
     * The same question asked about others: they alone are in focus, and what was written about somebody else is
     * left out.
     *
     * @param array<string, int> $focus hue by line
     */
    public function about(array $focus): self
    {
        return $this->withPart(new RulePart())
            ->withFocus($focus)
            ->withOff(array_values(array_diff($this->off, array_map(strval(...), array_keys($focus)))))
            ->withWords($this->words->with('headline', ''));
    }

    /** With the hue that was set for it on every entity in focus that has one; the others make room. */
    public function inOwnColours(DataSource $data): self
    {
        $own = [];
        foreach (array_keys($this->focus) as $line) {
            $hue = $data->entities()[$line]->hue ?? 0;
            if ($hue > 0 && !in_array($hue, $own, true)) {
                $own[$line] = $hue;
            }
        }
        if ($own === []) {
            return $this;
        }
        $others = array_filter(
            $this->focus,
            static fn(string $line): bool => self::dimension($line) === 'e' && !isset($own[$line]),
            ARRAY_FILTER_USE_KEY,
        );
        $free = array_diff(range(1, self::MOST_FOCUS), $own, $others);
        $focus = $this->focus;
        foreach ($focus as $line => $hue) {
            $focus[$line] =
                $own[$line] ?? (isset($others[$line]) && in_array($hue, $own, true) ? (int) array_shift($free) : $hue);
        }

        return $this->withFocus($focus);
    }

    /**
     * The same where measures have other names now, in every formula.
     *
     * @param array<array-key, string> $names new name by old one, of all measures
     */
    public function renamed(array $names): self
    {
        $scatter = $this->part(ScatterPart::class);
        $rail = $scatter->rail?->renamed($names);

        return $this->withRail($this->rail->renamed($names))->withPart($scatter->with(['rail' => $rail]));
    }

    /** Lines of one dimension are seen together, and need different hues: entities and groups, measures, or years. */
    public static function dimension(string $line): string
    {
        return preg_match('/^([my]):/', $line, $m) === 1 ? $m[1] : 'e';
    }

    /** @return list<Pool> what is calculated of several entities as if they were one */
    private function pools(DataSource $data, ChosenPeers $chosen): array
    {
        $pools = [];
        $lines = $this->part(LinesPart::class);
        foreach ($lines->groups as $group) {
            $isMember = static fn(Entity $e): bool => !$e->isApart() && $e->group === $group;
            $members = $this->present($data, $isMember);
            $pools[] =
                $lines->together === 'mean'
                    ? Pool::average("g:{$group}", $group, $members)
                    : Pool::sum("g:{$group}", $group, $members, $lines->incomplete);
        }
        $peers = $this->part(PeersPart::class);
        if ($peers->line === PeerLine::Pooled) {
            $pools[] = Pool::average(
                PeersPart::POOL,
                $peers->lineName($chosen),
                $this->present($data, $chosen->isPeer(...)),
                $peers->members === 'same' ? IncompleteSum::Same : IncompleteSum::There,
            );
        }

        return $pools;
    }

    /**
     * @param callable(Entity): bool $isMeant
     * @return list<string> keys of the entities that are meant and not off
     */
    private function present(DataSource $data, callable $isMeant): array
    {
        $present = [];
        foreach ($data->entities() as $entity) {
            if ($isMeant($entity) && $this->state($entity->key) !== LineState::Off) {
                $present[] = $entity->key;
            }
        }

        return $present;
    }

    /** @param array<string, mixed> $changed properties by name, each of its own type */
    private function copy(array $changed): self
    {
        // @phpstan-ignore argument.type (the properties are those of the constructor)
        return new self(...[...get_object_vars($this), ...$changed]);
    }
}
