<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

use DuskRail\Data\Better;
use DuskRail\Data\DataSlice;
use DuskRail\Data\DataSource;
use DuskRail\Data\Entity;
use DuskRail\Data\Measure;
use DuskRail\Data\Nature;
use DuskRail\Data\Numerals;
use DuskRail\Data\SeriesTable;
use DuskRail\Data\Spacing;
use DuskRail\Data\UnknownMeasure;
use DuskRail\Data\ValueType;
use DuskRail\Document\LineState;
use DuskRail\Document\Parts\AxisPart;
use DuskRail\Document\Parts\BreakdownsPart;
use DuskRail\Document\Parts\LinesPart;
use DuskRail\Document\Parts\PeerLine;
use DuskRail\Document\Parts\PeersPart;
use DuskRail\Document\Parts\RulePart;
use DuskRail\Document\RosterSort;
use DuskRail\Document\Study;
use DuskRail\Peers\ChosenPeers;
use DuskRail\Peers\PeerFigures;
use DuskRail\Rail\Run;
use DuskRail\Rail\RunStep;
use DuskRail\Rail\Scope;
use DuskRail\Rail\Stops\IndexToBase;
use DuskRail\Rail\Stops\Rolling;
use DuskRail\Rail\Stops\RunningTotal;
use DuskRail\Refusal;
use DuskRail\Statistics\Trend;
use DuskRail\Time\Frequency;
use DuskRail\Time\PeriodAxis;
use DuskRail\Time\PeriodRange;
use DuskRail\Time\UnknownPeriod;

/** A study calculated on its data: everything that any view shows is read from here. */
final readonly class Comparison
{
    use HasLines;

    /** Up to this share of the highest value, the lowest is near enough to zero for an axis to start there. */
    public const NEAR_ZERO = 0.35;

    public PeriodAxis $axis;

    public Measure $measure;

    /**
     * @param list<Line> $lines in the order of the data set
     * @param int $from first position shown, of the axis
     * @param int $to last position shown
     * @param list<float> $peerLine what stands for all peers, along the axis, NAN where none has a value; empty
     *     when it is not asked for
     * @param MeasureRuns $measures where lines are measures
     * @param ColourScale|null $tones where lines are coloured by a value of theirs
     * @param int $reference last position that anything is said of: the latest period that is finished and has come in
     *     for at least half of the lines that go on; before `from` where no such is shown
     */
    private function __construct(
        public Study $study,
        public Scope $data,
        public Run $run,
        public PeerSet $peers,
        public int $from,
        public int $to,
        public array $lines,
        public array $peerLine,
        public int $decimals,
        public MeasureRuns $measures = new MeasureRuns(),
        public ?ColourScale $tones = null,
        public int $reference = -1,
    ) {
        $this->axis = $run->table()->axis;
        $this->measure = $data->measures()[$study->measure];
    }

    /** @throws UnknownMeasure */
    public static function of(Study $study, DataSource $data): self
    {
        $data = $study->slice($data);
        $rule = $study->part(RulePart::class);
        if (!$rule->isByHand() && $study->part(LinesPart::class)->across === 'entities') {
            // Whom a rule finds depends on the data, and some values on who is in focus: those of the rule before.
            $before = self::of($study->withPart(new RulePart()), $data);
            $found = (new FocusRule($rule, $before->better(), $before->from, $before->season()))->found(
                $before->lines,
                $study->focus,
            );
            $others = array_diff_key($study->focus, $data->entities());
            $study = $study->withFocus([...$found, ...$others])->inOwnColours($data);
        }
        $scope = $study->scope($data);
        $run = $study->rail->run($scope->table($study->measure), $scope);
        $table = $run->table();
        [$from, $to] = self::shown($study, $table->axis);
        $nobody = PeerSet::of([], [], ChosenPeers::all(false), Better::Neither, $scope->conventions);
        $comparison = new self($study, $scope, $run, $nobody, $from, $to, [], [], 0);

        return $study->part(LinesPart::class)->across === 'measures'
            ? $comparison->acrossMeasures()
            : $comparison->acrossEntities($table);
    }

    private function acrossEntities(SeriesTable $table): self
    {
        $study = $this->study;
        $lines = [];
        $spacing = Spacing::of($table);
        foreach ($this->data->entities() as $key => $entity) {
            if (!isset($table->series[$key])) {
                continue;
            }
            $values = $table->series[$key]->values;
            $absent = $spacing->absentIn($values);
            $lines[] = $this->lineOf((string) $key, $entity->name, $entity->group, $values, $absent);
        }
        foreach ($study->part(LinesPart::class)->groups as $group) {
            if (isset($table->series["g:{$group}"])) {
                $values = $table->series["g:{$group}"]->values;
                $lines[] = $this->lineOf("g:{$group}", $group, 'Groups', $values, $spacing->absentIn($values));
            }
        }

        return $this->withLines($lines, new MeasureRuns(), true);
    }

    /** The measures of one entity, as far as their units agree at the end of the rail. */
    private function acrossMeasures(): self
    {
        $lines = $runs = $leftOut = [];
        $subject = $this->subject()->key ?? '';
        $unit = $this->run->table()->unit->text();
        foreach ($this->data->measures() as $key => $measure) {
            $origin = $this->data->table((string) $key);
            if (!isset($origin->series[$subject])) {
                continue;
            }
            try {
                $run = $this->study->rail->run($origin, $this->data);
            } catch (Refusal $problem) {
                $leftOut[$measure->name] = new LeftOut($problem->getMessage());
                continue;
            }
            $table = $run->table();
            $reason = match (true) {
                $run->refused() !== null && $this->run->refused() === null => new LeftOut(
                    (string) $run->refused()->refusal,
                ),
                $table->axis->frequency !== $this->axis->frequency => new LeftOut(
                    "it is {$table->axis->frequency->adjective()}",
                ),
                $table->unit->text() !== $unit => new LeftOut(
                    'it is in ' . ($table->unit->text() === '' ? 'another unit' : $table->unit->text()),
                    true,
                ),
                default => null,
            };
            if ($reason !== null) {
                $leftOut[$measure->name] = $reason;
                continue;
            }
            $values = array_fill(0, $this->axis->count, NAN);
            foreach ($table->series[$subject]->values ?? [] as $i => $value) {
                $at = $table->axis->first + $i - $this->axis->first;
                if (isset($values[$at])) {
                    $values[$at] = $value;
                }
            }
            $lines[] = $this->lineOf("m:{$key}", $measure->name, '', array_values($values));
            $runs["m:{$key}"] = $run;
        }

        return $this->withLines($lines, new MeasureRuns($runs, $leftOut), false);
    }

    /**
     * @param list<Line> $lines
     * @param bool $entities whether the lines are entities, which have peers
     */
    private function withLines(array $lines, MeasureRuns $measures, bool $entities): self
    {
        $reference = $this->referenceOf($lines);
        $lines = array_map(fn(Line $l): Line => $l->until($l->last, $this->currentOf($l, $reference)), $lines);
        $present = array_values(array_filter($lines, static fn(Line $line): bool => $line->state !== LineState::Off));
        $conventions = $this->data->conventions;
        $all = ChosenPeers::all($conventions->homeIsPeer);
        $chosen = $entities ? $this->data->chosen ?? $all : $all;
        $peers = PeerSet::of($present, $this->data->entities(), $chosen, $this->better(), $conventions);
        $hides = $this->study->part(PeersPart::class)->outside === 'hidden';
        $lines = array_map(
            static fn(Line $l): Line => $l->isGroup() || $l->isSummary() || $chosen->holds($l->key)
                ? $l
                : $l->outside($hides),
            $lines,
        );
        $peerLine = $entities ? $this->peerLine($peers) : [];
        $last = $peerLine === [] ? null : Line::lastOf($peerLine, $this->from, $reference);
        $level = $last === null ? NAN : $peerLine[$last];
        $change = fn(Line $l): float => $l->ends($this->from, $this->season())->change();
        $tones = ColourScale::of($this->study, $present, $this->axis, $change, $peers, $level);
        if ($tones !== null) {
            $lines = array_map(
                static fn(Line $l): Line => isset($tones->tones[$l->key]) ? $l->toned($tones->tones[$l->key]) : $l,
                $lines,
            );
        }
        $latest = array_map(static fn(Line $l): float => is_nan($l->latest()) ? $l->end() : $l->latest(), $lines);

        return new self(
            $this->study,
            $this->data,
            $this->run,
            $peers,
            $this->from,
            $this->to,
            $lines,
            $peerLine,
            $this->decimalsOf(array_filter($latest, static fn(float $v): bool => !is_nan($v))),
            $measures,
            $tones,
            $reference,
        );
    }

    /** @return list<float> what stands for all peers, along the axis; empty where it is not asked for */
    private function peerLine(PeerSet $peers): array
    {
        // A median of places says nothing.
        return $this->run->table()->unit->sort === ValueType::Rank
            ? []
            : match ($this->study->part(PeersPart::class)->line) {
                PeerLine::None => [],
                PeerLine::Median => PeerFigures::quantile($peers->values(), 0.5),
                PeerLine::Mean => PeerFigures::mean($peers->values()),
                PeerLine::Pooled => $this->run->table()->series[PeersPart::POOL]->values ?? [],
            };
    }

    /** Which way is good of what the rail ends in. */
    public function better(): Better
    {
        return $this->run->better($this->data->better);
    }

    /** Last position shown whose period is finished. */
    public function finished(): int
    {
        return min($this->to, ($this->run->table()->open() ?? $this->axis->count) - 1);
    }

    /**
     * True if all lines have one reference period. Where positions are counted from an event of its own, or are
     * plain numbers, each line has its own last.
     */
    public function hasOneNow(): bool
    {
        return $this->axis->frequency !== Frequency::Number;
    }

    /**
     * The latest period that is finished and has come in for at least half of the lines that go on.
     *
     * @param list<Line> $lines
     */
    private function referenceOf(array $lines): int
    {
        $finished = $this->finished();
        if (!$this->hasOneNow()) {
            return $finished;
        }
        $lasts = [];
        foreach ($lines as $line) {
            $last = $line->state === LineState::Off ? null : Line::lastOf($line->values, $this->from, $finished);
            if ($last !== null) {
                $lasts[] = $last;
            }
        }
        if ($lasts === []) {
            return $finished;
        }
        // Who stopped more than a year ago does not hold the others up.
        $least = max($lasts) - $this->axis->frequency->inAYear();
        $going = array_filter($lasts, static fn(int $last): bool => $last >= $least);
        rsort($going);

        return $going[intdiv(count($going) - 1, 2)];
    }

    /** The position of a line's value in the reference period; null where it has none. */
    private function currentOf(Line $line, int $reference): ?int
    {
        if (!$this->hasOneNow()) {
            return Line::lastOf($line->values, $this->from, $reference);
        }

        return $reference < $this->from || is_nan($line->values[$reference]) ? null : $reference;
    }

    /** For whoever looks at single values: one decimal more than in the labels; places have none. */
    public function fineDecimals(): int
    {
        return $this->run->table()->unit->sort === ValueType::Rank ? 0 : $this->decimals + 1;
    }

    /** @param array<int, float> $latest */
    private function decimalsOf(array $latest): int
    {
        $asRead = $this->run->inUse() === [];

        return match (true) {
            $this->run->table()->unit->sort === ValueType::Rank => 0,
            $asRead && $this->measure->decimals !== null => $this->measure->decimals,
            $asRead &&
                $this->measure->unit->counts() &&
                array_filter($latest, static fn(float $v): bool => fmod($v, 1.0) !== 0.0) === []
                => 0,
            default => Numerals::decimals($latest),
        };
    }

    /**
     * @param list<float> $values
     * @param array<int, true> $absent
     */
    private function lineOf(string $key, string $name, string $group, array $values, array $absent = []): Line
    {
        return new Line(
            $key,
            $name,
            $group,
            $this->study->state($key),
            $this->study->focus[$key] ?? 0,
            $values,
            Line::lastOf($values, $this->from, $this->to),
            null,
            false,
            $absent,
            role: ($this->data->entities()[$key] ?? null)?->isApart() ?? false ? LineRole::Summary : LineRole::Compared,
        );
    }

    /** Which categories of breakdowns the data are of, in words; nothing where they are not broken down. */
    public function cellInWords(): string
    {
        $part = $this->study->part(BreakdownsPart::class);
        $words = $part->inWords($this->data->breakdowns(), $this->data->splitBy($this->study->measure));
        $of = $this->brokenDown();

        return $of === null ? $words : "{$of->name}, {$words}";
    }

    /** The entity whose categories are the lines; null where the lines are entities. */
    public function brokenDown(): ?Entity
    {
        $lines = $this->study->part(BreakdownsPart::class)->shownAs('lines');
        $data = $this->wholeData();

        return $lines === '' || !isset($data->breakdowns()[$lines])
            ? null
            : $data->entities()[$this->study->subjectIn($data)] ?? null;
    }

    /** The data set as it is, whatever the study sees of it. */
    public function wholeData(): DataSource
    {
        return DataSlice::whole($this->data->source());
    }

    /** The entity whose measures or years are looked at: the one that was named, or the first in focus, or home. */
    public function subject(): ?Entity
    {
        $entities = $this->data->entities();
        $series = $this->run->origin->series;
        $home = array_keys(array_filter($entities, static fn(Entity $e): bool => $e->home));
        foreach (
            [
                $this->study->part(LinesPart::class)->of,
                ...array_keys($this->study->focus),
                ...$home,
                ...array_keys($entities),
            ] as $key
        ) {
            if (isset($entities[$key], $series[$key])) {
                return $entities[$key];
            }
        }

        return null;
    }

    /**
     * Where a line was calculated: the run, the measure it starts from, and its series there.
     *
     * @return array{Run, string, string}
     */
    public function traced(string $line): array
    {
        return isset($this->measures->runs[$line])
            ? [$this->measures->runs[$line], substr($line, 2), $this->subject()->key ?? '']
            : [$this->run, $this->measure->key, $line];
    }

    public function unit(): string
    {
        return $this->run->table()->unit->text();
    }

    /** @return list<Line> in the order in which the roster shows them */
    public function sorted(): array
    {
        $lines = $this->lines;
        $sort = $this->study->sort;
        usort($lines, static function (Line $a, Line $b) use ($sort): int {
            $byName = strnatcasecmp($a->name, $b->name);
            if ($sort === RosterSort::Name) {
                return $byName;
            }
            [$x, $y] = [$a->latest(), $b->latest()];
            if (is_nan($x) || is_nan($y)) {
                return is_nan($x) <=> is_nan($y) ?: $byName;
            }

            $order = $sort === RosterSort::Highest ? $y <=> $x : $x <=> $y;

            return $order ?: $byName;
        });

        return $lines;
    }

    /** The last index in use whose base is at the same time for all, or null. */
    public function indexed(): ?RunStep
    {
        foreach (array_reverse($this->run->inUse()) as $step) {
            if ($step->placed->stop instanceof IndexToBase && $step->placed->stop->base() !== null) {
                return $step;
            }
        }

        return null;
    }

    /** Its base, or null; also where the axis has left the calendar that the base is in. */
    public function base(): ?PeriodRange
    {
        $stop = $this->indexed()?->placed->stop;
        $base = $stop instanceof IndexToBase ? $stop->base() : null;

        return $base !== null &&
            ($base->first->frequency === Frequency::Number) === ($this->axis->frequency === Frequency::Number)
            ? $base
            : null;
    }

    /** How many periods a year has; of periods since an event, those of before they were counted. NAN without years. */
    public function perYear(): float
    {
        $frequency = $this->isSinceEvent() ? $this->run->origin->axis->frequency : $this->axis->frequency;

        return $frequency->meanPerYear();
    }

    /** Values in a year, where seasons may show in them, else 1. */
    public function season(): int
    {
        return match (true) {
            $this->isSinceEvent() => $this->run->origin->axis->frequency->inAYear(),
            $this->axis->frequency === Frequency::Number => 1,
            default => $this->axis->frequency->inAYear(),
        };
    }

    /** Whether a rate of growth means something. */
    public function grows(): bool
    {
        return $this->run->table()->allowsPercent();
    }

    /** A trend in one word; of places the way that is good is down. */
    public function verdict(Trend $trend): string
    {
        return $this->run->table()->nature !== Nature::Place
            ? $trend->verdict
            : strtr($trend->verdict, ['rising' => 'losing ranks', 'falling' => 'gaining ranks']);
    }

    /** Whether neighbouring values share what they are made of. */
    public function isSmoothed(): bool
    {
        foreach ($this->run->inUse() as $step) {
            if ($step->placed->stop instanceof Rolling || $step->placed->stop instanceof RunningTotal) {
                return true;
            }
        }

        return false;
    }

    /** Whether the axis counts periods from an event that each line has at a time of its own. */
    public function isSinceEvent(): bool
    {
        return $this->axis->frequency === Frequency::Number &&
            $this->run->origin->axis->frequency !== Frequency::Number;
    }

    /** The lowest value shown; INF when there is none. */
    public function lowest(): float
    {
        return $this->extremes()[0];
    }

    /** Whether the vertical axis starts above zero: where zero is further than NEAR_ZERO of the height away. */
    public function isCut(): bool
    {
        [$low, $high] = $this->extremes();

        return $this->study->part(AxisPart::class)->start === 'cut' &&
            $low <= $high &&
            $low > 0.0 &&
            $low > $high * self::NEAR_ZERO;
    }

    /** @return array{int, int} */
    private static function shown(Study $study, PeriodAxis $axis): array
    {
        try {
            $positions = $study->range === null ? null : $axis->positions($study->range);
        } catch (UnknownPeriod) {
            // The range was set for another kind of periods; it means nothing here.
            $positions = null;
        }

        return $positions ?? [0, $axis->count - 1];
    }

    private function study(): Study
    {
        return $this->study;
    }
}
