<?php

declare(strict_types=1);

namespace DuskRail\Study;

use DuskRail\Data\DataSource;
use DuskRail\Data\UnknownMeasure;
use DuskRail\Rail\Pool;
use DuskRail\Rail\Rail;
use DuskRail\Rail\Scope;
use DuskRail\Study\Parts\AxisPart;
use DuskRail\Study\Parts\FiguresPart;
use DuskRail\Study\Parts\LabelsPart;
use DuskRail\Study\Parts\LinesPart;
use DuskRail\Study\Parts\LookPart;
use DuskRail\Study\Parts\MarksPart;
use DuskRail\Study\Parts\OverlayPart;
use DuskRail\Study\Parts\PanelsPart;
use DuskRail\Study\Parts\Part;
use DuskRail\Study\Parts\PeerLine;
use DuskRail\Study\Parts\PeersPart;
use DuskRail\Study\Parts\RulePart;
use DuskRail\Study\Parts\ScatterPart;
use DuskRail\Study\Parts\SparksPart;
use DuskRail\Study\Parts\StackPart;
use DuskRail\Study\Parts\TextPart;
use DuskRail\Study\Parts\TonePart;
use DuskRail\Time\PeriodRange;

/** One comparison: what is compared, what is done to the figures, how it is drawn, and in what words. */
final readonly class Study
{
    /** As many lines as the palette has hues. */
    public const MOST_FOCUS = 6;

    /** The settings that each view or thing that is drawn has for itself. */
    public const PARTS = [
        'lines' => LinesPart::class, 'peers' => PeersPart::class, 'axis' => AxisPart::class, 'look' => LookPart::class,
        'overlay' => OverlayPart::class, 'panels' => PanelsPart::class, 'stack' => StackPart::class,
        'sparks' => SparksPart::class, 'scatter' => ScatterPart::class, 'rule' => RulePart::class, 'figures' => FiguresPart::class, 'marks' => MarksPart::class, 'labels' => LabelsPart::class,
        'tone' => TonePart::class, 'text' => TextPart::class,
    ];

    /**
     * @param array<string, int> $focus hue 1–6 by line, in the order in which they were chosen. A line is known by the key of
     *     its entity, or `g:` and a group, `m:` and a measure, `y:` and a year.
     * @param list<string> $off lines taken out of the comparison
     * @param PeriodRange|null $range the periods shown; null for all that there are
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
        public Words $words = new Words(),
        public array $dismissed = [],
        public LinesPart $lines = new LinesPart(),
        public PeersPart $peers = new PeersPart(),
        public AxisPart $axis = new AxisPart(),
        public LookPart $look = new LookPart(),
        public OverlayPart $overlay = new OverlayPart(),
        public PanelsPart $panels = new PanelsPart(),
        public StackPart $stack = new StackPart(),
        public SparksPart $sparks = new SparksPart(),
        public ScatterPart $scatter = new ScatterPart(),
        public RulePart $rule = new RulePart(),
        public FiguresPart $figures = new FiguresPart(),
        public MarksPart $marks = new MarksPart(),
        public LabelsPart $labels = new LabelsPart(),
        public TonePart $tone = new TonePart(),
        public TextPart $text = new TextPart(),
    ) {}

    /** The study one starts with: home (or the first entity) before quiet peers, as they come. */
    public static function first(string $name, string $measure, DataSource $data): self
    {
        $focus = null;
        foreach ($data->entities() as $entity) {
            $focus = $entity->home || $focus === null ? $entity->key : $focus;
        }

        return (new self($name, $measure, Rail::of(), $focus === null ? [] : [$focus => 1]))->inOwnColours($data);
    }

    /** @param array{name?: string, measure?: string, rail?: Rail, focus?: array<string, int>, off?: list<string>, range?: PeriodRange|null, view?: View, sort?: RosterSort, words?: Words, dismissed?: list<string>} $parts */
    public function with(array $parts): self
    {
        return $this->made($parts);
    }

    /** The same with another part: a name of PARTS, and its settings. */
    public function withPart(string $name, Part $part): self
    {
        return $this->made([$name => $part]);
    }

    /** @param array<string, mixed> $parts */
    private function made(array $parts): self
    {
        /** @var array{name: string, measure: string, rail: Rail, focus: array<string, int>, off: list<string>, range: PeriodRange|null, view: View, sort: RosterSort, words: Words, dismissed: list<string>, lines: LinesPart, peers: PeersPart, axis: AxisPart, look: LookPart, overlay: OverlayPart, panels: PanelsPart, stack: StackPart, sparks: SparksPart, scatter: ScatterPart, rule: RulePart, figures: FiguresPart, marks: MarksPart, labels: LabelsPart, tone: TonePart, text: TextPart} $all */
        $all = [...get_object_vars($this), ...$parts];

        return new self(...$all);
    }

    public function part(string $name): Part
    {
        /** @var Part $part */
        $part = $this->{$name};

        return $part;
    }

    /** @throws UnknownMeasure */
    public function scope(DataSource $data): Scope
    {
        $measure = $data->measures()[$this->measure] ?? throw UnknownMeasure::named($this->measure);

        // Calculations go by entities; groups, measures and years are only drawn.
        $entities = static fn(int|string ...$lines): array => array_values(array_filter(array_map(strval(...), $lines), static fn(string $line): bool => isset($data->entities()[$line])));

        return Scope::of($data, $entities(...array_keys($this->focus)), $entities(...$this->off), $measure->better, $this->pools($data));
    }

    /** Whether the picture is split into small ones. */
    public function isSplit(): bool
    {
        return $this->panels->by !== 'none' && $this->view->splits();
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
        } elseif (! isset($focus[$line])) {
            $taken = array_filter($focus, static fn(string $other): bool => self::dimension($other) === self::dimension($line), ARRAY_FILTER_USE_KEY);
            // The newest year and the one before have the first hue.
            $free = array_values(array_diff(range(self::dimension($line) === 'y' ? 2 : 1, self::MOST_FOCUS), $taken));
            $focus[$line] = $free[0] ?? throw InvalidStudy::because(
                'Six lines are in focus, and more colours could not be told apart. Let one go first.',
            );
        }

        return $this->with(['focus' => $focus, 'off' => $state === LineState::Off ? [...$off, $line] : $off]);
    }

    /**
     * The same question asked about others: they alone are in focus, and what was written about somebody else is left out.
     *
     * @param array<string, int> $focus hue by line
     */
    public function about(array $focus): self
    {
        return $this->withPart('rule', new RulePart())->with(['focus' => $focus, 'off' => array_values(array_diff($this->off, array_map(strval(...), array_keys($focus)))), 'words' => $this->words->with('headline', '')]);
    }

    /** With the hue that was set for it on every entity in focus that has one; the others make room. */
    public function inOwnColours(DataSource $data): self
    {
        $own = [];
        foreach (array_keys($this->focus) as $line) {
            $hue = $data->entities()[$line]->hue ?? 0;
            if ($hue > 0 && ! in_array($hue, $own, true)) {
                $own[$line] = $hue;
            }
        }
        if ($own === []) {
            return $this;
        }
        $others = array_filter($this->focus, static fn(string $line): bool => self::dimension($line) === 'e' && ! isset($own[$line]), ARRAY_FILTER_USE_KEY);
        $free = array_diff(range(1, self::MOST_FOCUS), $own, $others);
        $focus = $this->focus;
        foreach ($focus as $line => $hue) {
            $focus[$line] = $own[$line] ?? (isset($others[$line]) && in_array($hue, $own, true) ? (int) array_shift($free) : $hue);
        }

        return $this->with(['focus' => $focus]);
    }

    /** Lines of one dimension are seen together, and need different hues: entities and groups, measures, or years. */
    public static function dimension(string $line): string
    {
        return preg_match('/^([my]):/', $line, $m) === 1 ? $m[1] : 'e';
    }

    /** Of which dimension the lines are that are seen now. */
    public function dimensionShown(): string
    {
        return match (true) {
            $this->view === View::Overlay => 'y',
            $this->lines->across === 'measures' => 'm',
            default => 'e',
        };
    }

    /** @return list<Pool> what is calculated of several entities as if they were one */
    private function pools(DataSource $data): array
    {
        $pools = [];
        foreach ($this->lines->groups as $group) {
            $pools[] = Pool::sum("g:{$group}", $group, $this->members($data, $group, false));
        }
        if ($this->peers->line === PeerLine::Together) {
            $pools[] = Pool::average(PeersPart::POOL, $this->peers->lineName(), $this->members($data, $this->peers->group, true));
        }

        return $pools;
    }

    /** @return list<string> keys of the entities of a group (or of all) that are not off; of the peers alone if so wished */
    private function members(DataSource $data, string $group, bool $peersOnly): array
    {
        $members = [];
        foreach ($data->entities() as $entity) {
            $state = $this->state($entity->key);
            if (in_array($group, ['', $entity->group], true) && $state !== LineState::Off && ! ($peersOnly && $state === LineState::Focus)) {
                $members[] = $entity->key;
            }
        }

        return $members;
    }
}
