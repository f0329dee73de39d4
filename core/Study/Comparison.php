<?php

declare(strict_types=1);

namespace DuskRail\Study;

use DuskRail\Data\DataSource;
use DuskRail\Data\Measure;
use DuskRail\Data\Numerals;
use DuskRail\Data\Sort;
use DuskRail\Data\UnknownMeasure;
use DuskRail\Peers\PeerFigures;
use DuskRail\Rail\Leg;
use DuskRail\Rail\Run;
use DuskRail\Rail\Scope;
use DuskRail\Rail\Stops\IndexToBase;
use DuskRail\Rail\Stops\Rolling;
use DuskRail\Rail\Stops\RunningTotal;
use DuskRail\Time\Frequency;
use DuskRail\Time\PeriodAxis;
use DuskRail\Time\PeriodRange;
use DuskRail\Time\UnknownPeriod;

/** A study carried out on its data: everything that any view shows is read from here. */
final readonly class Comparison
{
    /** Up to this share of the highest value, the lowest is near enough to zero for an axis to start there. */
    public const NEAR_ZERO = 0.35;

    /**
     * @param list<Line> $lines in the order of the data set
     * @param int $from first position shown, of the axis
     * @param int $to last position shown
     * @param list<float> $peerLine what stands for all peers, along the axis, NAN where none has a value; empty when it is not asked for
     */
    private function __construct(
        public Study $study,
        public Scope $data,
        public Measure $measure,
        public Run $run,
        public PeriodAxis $axis,
        public int $from,
        public int $to,
        public array $lines,
        public array $peerLine,
        public int $decimals,
    ) {}

    /** @throws UnknownMeasure */
    public static function of(Study $study, DataSource $data): self
    {
        $scope = $study->scope($data);
        $run = $study->rail->run($scope->table($study->measure), $scope);
        $table = $run->table();
        [$from, $to] = self::shown($study, $table->axis);
        $lines = $peers = [];
        foreach ($data->entities() as $key => $entity) {
            if (! isset($table->series[$key])) {
                continue;
            }
            $values = $table->series[$key]->values;
            $state = $study->state($key);
            $lines[] = new Line($key, $entity->name, $entity->group, $state, $study->focus[$key] ?? 0, $values, self::last($values, $from, $to));
            if ($state === LineState::Peer && in_array($study->peers->group, ['', $entity->group], true)) {
                $peers[] = $values;
            }
        }
        $latest = array_map(static fn(Line $l): float => $l->latest(), $lines);

        return new self(
            $study, $scope, $data->measures()[$study->measure], $run, $table->axis, $from, $to, $lines,
            // A median of places says nothing.
            $table->unit->sort === Sort::Rank ? [] : match ($study->peers->line) {
                PeerLine::None => [],
                PeerLine::Median => PeerFigures::quantile($peers, 0.5),
                PeerLine::Mean => PeerFigures::mean($peers),
                PeerLine::Together => $table->series[PeerSummary::POOL]->values ?? [],
            },
            $table->unit->sort === Sort::Rank ? 0 : Numerals::decimals(array_filter($latest, static fn(float $v): bool => ! is_nan($v))),
        );
    }

    public function unit(): string
    {
        return $this->run->table()->unit->text();
    }

    /** @return list<Line> */
    public function inState(LineState $state): array
    {
        return array_values(array_filter($this->lines, static fn(Line $line): bool => $line->state === $state));
    }

    /** @return list<Line> in focus, in the order in which they were chosen */
    public function focus(): array
    {
        $lines = $this->inState(LineState::Focus);
        $order = array_flip(array_map(strval(...), array_keys($this->study->focus)));
        usort($lines, static fn(Line $a, Line $b): int => $order[$a->key] <=> $order[$b->key]);

        return $lines;
    }

    /** @return list<Line> that take part: in focus or peers */
    public function present(): array
    {
        return array_values(array_filter($this->lines, static fn(Line $line): bool => $line->state !== LineState::Off));
    }

    /**
     * The values of the peers that line and band are drawn of: of all, or of one group.
     *
     * @return list<list<float>>
     */
    public function summarised(): array
    {
        $group = $this->study->peers->group;

        return array_map(
            static fn(Line $line): array => $line->values,
            array_values(array_filter($this->inState(LineState::Peer), static fn(Line $line): bool => in_array($group, ['', $line->group], true))),
        );
    }

    public function line(string $key): ?Line
    {
        foreach ($this->lines as $line) {
            if ($line->key === $key) {
                return $line;
            }
        }

        return null;
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

            return ($sort === RosterSort::Highest ? $y <=> $x : $x <=> $y) ?: $byName;
        });

        return $lines;
    }

    /** The last index in use whose base is at the same time for all, or null. */
    public function indexed(): ?Leg
    {
        foreach (array_reverse($this->run->legs) as $leg) {
            if ($leg->placed->stop instanceof IndexToBase && $leg->placed->stop->base() !== null && ! $leg->placed->bypassed && $leg->refusal === null) {
                return $leg;
            }
        }

        return null;
    }

    /** Its base, or null. */
    public function base(): ?PeriodRange
    {
        $stop = $this->indexed()?->placed->stop;

        return $stop instanceof IndexToBase ? $stop->base() : null;
    }

    /** Whether neighbouring values share what they are made of. */
    public function isSmoothed(): bool
    {
        foreach ($this->run->legs as $leg) {
            if (! $leg->placed->bypassed && $leg->refusal === null && ($leg->placed->stop instanceof Rolling || $leg->placed->stop instanceof RunningTotal)) {
                return true;
            }
        }

        return false;
    }

    /** Whether the axis counts periods from an event that each line has at a time of its own. */
    public function isSinceEvent(): bool
    {
        return $this->axis->frequency === Frequency::Number && $this->run->origin->axis->frequency !== Frequency::Number;
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

        return ! $this->study->fromZero && $low <= $high && $low > 0.0 && $low > $high * self::NEAR_ZERO;
    }

    /** @return array{float, float} lowest and highest value of the lines that take part, as far as shown */
    public function extremes(): array
    {
        $low = INF;
        $high = -INF;
        foreach ($this->present() as $line) {
            for ($i = $this->from; $i <= $this->to; $i++) {
                $value = $line->values[$i];
                $low = $value < $low ? $value : $low;
                $high = $value > $high ? $value : $high;
            }
        }

        return [$low, $high];
    }

    public function format(float $value): string
    {
        return Numerals::text($value, $this->decimals);
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

    /** @param list<float> $values */
    private static function last(array $values, int $from, int $to): ?int
    {
        for ($i = $to; $i >= $from; $i--) {
            if (! is_nan($values[$i])) {
                return $i;
            }
        }

        return null;
    }
}
