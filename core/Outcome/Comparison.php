<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

use DuskRail\Data\Better;
use DuskRail\Data\DataSlice;
use DuskRail\Data\DataSource;
use DuskRail\Data\Entity;
use DuskRail\Data\Measure;
use DuskRail\Data\MeasureKind;
use DuskRail\Data\Nature;
use DuskRail\Data\UnknownMeasure;
use DuskRail\Data\ValueType;
use DuskRail\Document\Parts\AxisPart;
use DuskRail\Document\Parts\BreakdownsPart;
use DuskRail\Document\Parts\LinesPart;
use DuskRail\Document\Parts\PeerLine;
use DuskRail\Document\Parts\PeersPart;
use DuskRail\Document\RosterSort;
use DuskRail\Document\Study;
use DuskRail\Document\ValuesByHand;
use DuskRail\Rail\Run;
use DuskRail\Rail\Scope;
use DuskRail\Rail\Stops\Rolling;
use DuskRail\Rail\Stops\RunningTotal;
use DuskRail\Rail\Stops\Weights;
use DuskRail\Statistics\Trend;
use DuskRail\Time\PeriodAxis;

/** A study calculated on its data: everything that any view shows is read from here. */
final readonly class Comparison
{
    use HasCalendar;
    use HasLines;

    /** Up to this share of the highest value, the lowest is near enough to zero for an axis to start there. */
    public const NEAR_ZERO = 0.35;

    public PeriodAxis $axis;

    public int $decimals;

    public Measure $measure;

    /** How each line went, calculated when it is asked for. */
    public TrendSummaries $courses;

    /** How each line goes on, and whether it gets to its target, likewise. */
    public Outlooks $outlooks;

    /** What changed about an event, likewise. */
    public Effects $effects;

    /** As it is asked for; values typed in another unit are in the document, and in nothing that is drawn or said. */
    public Study $study;

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
    public function __construct(
        public Study $document,
        public Scope $data,
        public Run $run,
        public PeerSet $peers,
        public int $from,
        public int $to,
        public array $lines,
        public array $peerLine,
        public Precision $precision,
        public MeasureRuns $measures = new MeasureRuns(),
        public ?ColourScale $tones = null,
        public int $reference = -1,
    ) {
        $this->decimals = $precision->decimals;
        $this->axis = $run->table()->axis;
        $this->measure = $data->measures()[$document->measure];
        $this->study = ValuesByHand::holding($document, $this->unitOfValues());
        $this->courses = new TrendSummaries($this);
        $this->outlooks = new Outlooks($this);
        $this->effects = new Effects($this);
    }

    /** The same with its lines in colours by a value of theirs. */
    public function toned(ColourScale $tones): self
    {
        return new self(
            $this->document,
            $this->data,
            $this->run,
            $this->peers,
            $this->from,
            $this->to,
            array_map(
                static fn(Line $l): Line => isset($tones->tones[$l->key]) ? $l->toned($tones->tones[$l->key]) : $l,
                $this->lines,
            ),
            $this->peerLine,
            $this->precision,
            $this->measures,
            $tones,
            $this->reference,
        );
    }

    /** @throws UnknownMeasure */
    public static function of(Study $study, DataSource $data): self
    {
        return ComparisonBuilder::of($study, $data);
    }

    /** True if what stands for all peers together is a ratio of sums, since ratios with known parts are on the rail. */
    public function isPooledByWeight(): bool
    {
        return $this->run->origin->weights !== null ||
            array_filter($this->run->inUse(), static fn($step): bool => $step->outcome->table->weights !== null) !== [];
    }

    /** What values typed by hand are in, as ValuesByHand knows it. */
    public function unitOfValues(): string
    {
        return ValuesByHand::unitOf($this->document->measure, $this->run->table());
    }

    /** @return array<string, list<float>>|null what ratios are weighed by, by key along the axis; null where not known */
    public function weights(): ?array
    {
        $weights = $this->run->table()->weights;

        return $weights === null ? null : $weights();
    }

    /** How a group was made of its members: `sum of 8`, `ratio of sums of 8`, `mean of 8`; nothing for no group. */
    public function groupInWords(string $key): string
    {
        foreach ($this->data->pools as $pool) {
            if ($pool->key === $key) {
                $origin = $this->run->origin;
                $how = match (true) {
                    isset($this->weights()[Weights::COMMON]) => 'sum',
                    $this->isPooledByWeight() => 'ratio of sums',
                    $pool->averaged, $origin->kind === MeasureKind::Rate => 'mean',
                    default => 'sum',
                };

                return "{$how} of " . count(array_intersect_key($origin->series, array_flip($pool->members)));
            }
        }

        return '';
    }

    /** The name of the peer line; a weighted mean without weights is called a mean. */
    public function peerLineName(): string
    {
        $part = $this->study->part(PeersPart::class);
        $isPlain = $part->line === PeerLine::Pooled && !$this->isPooledByWeight();

        return ($isPlain ? $part->with(['line' => PeerLine::Mean]) : $part)->lineName($this->peers->chosen);
    }

    public function precision(): Precision
    {
        return $this->precision;
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

    /** The same for whoever looks at single values; places have none. */
    public function fineDecimals(): int
    {
        return $this->run->table()->unit->sort === ValueType::Rank ? 0 : $this->precision->fine();
    }

    /** Which categories of breakdowns the data are of, in words; nothing where they are not broken down. */
    public function cellInWords(): string
    {
        $part = $this->study->part(BreakdownsPart::class);
        $words = $part->inWords(
            $this->data->breakdowns(),
            $this->data->splitBy($this->study->measure),
            $this->measure->kind === MeasureKind::Rate,
        );
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

    /** Whether a rate of growth means something. */
    public function grows(): bool
    {
        return $this->run->table()->allowsPercent();
    }

    /** A trend in one word; of places the way that is good is down. */
    public function verdict(Trend $trend): string
    {
        $verdict =
            $this->run->table()->nature !== Nature::Place
                ? $trend->verdict
                : strtr($trend->verdict, [
                    ...['rising' => 'losing ranks', 'falling' => 'gaining ranks'],
                    ...['stepped up' => 'lost ranks', 'stepped down' => 'gained ranks'],
                ]);

        return $verdict . $trend->when;
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

    private function study(): Study
    {
        return $this->study;
    }
}
