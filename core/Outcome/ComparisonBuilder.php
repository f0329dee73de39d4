<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

use DuskRail\Data\Better;
use DuskRail\Data\DataSource;
use DuskRail\Data\Members;
use DuskRail\Data\Numerals;
use DuskRail\Data\SeriesTable;
use DuskRail\Data\Spacing;
use DuskRail\Data\UnknownMeasure;
use DuskRail\Data\ValueType;
use DuskRail\Document\LineState;
use DuskRail\Document\Parts\LinesPart;
use DuskRail\Document\Parts\PeerLine;
use DuskRail\Document\Parts\PeersPart;
use DuskRail\Document\Parts\RulePart;
use DuskRail\Document\Parts\TonePart;
use DuskRail\Document\Study;
use DuskRail\Document\ValuesByHand;
use DuskRail\Peers\ChosenPeers;
use DuskRail\Peers\PeerFigures;
use DuskRail\Refusal;
use DuskRail\Time\PeriodAxis;
use DuskRail\Time\UnknownPeriod;

/** Calculates a study on data: the rail, the lines, their peers, and the period that they are compared in. */
final readonly class ComparisonBuilder
{
    /** Lines whose values are looked at for their decimals, of many. */
    private const LOOKED_AT = 60;

    /** Where the latest values are below, none before was of eight digits, or it is not worth looking for. */
    private const LARGE = 1e6;

    /** @param Comparison $bare a comparison without lines, which knows study, data, run and periods */
    private function __construct(private Comparison $bare) {}

    /** @throws UnknownMeasure */
    public static function of(Study $study, DataSource $data): Comparison
    {
        $data = $study->slice($data);
        $rule = $study->part(RulePart::class);
        if (!$rule->isByHand() && $study->part(LinesPart::class)->across === 'entities') {
            // Whom a rule finds depends on the data, and some values on who is in focus: those of the rule before.
            $before = self::of($study->withPart(new RulePart()), $data);
            $rule = ValuesByHand::holding($study, $before->unitOfValues())->part(RulePart::class);
            $others = array_diff_key($study->focus, $data->entities());
            $groups = array_filter(
                $others,
                static fn(string $line): bool => Study::dimension($line) === 'e',
                ARRAY_FILTER_USE_KEY,
            );
            $found = (new FocusRule($rule, $before->better(), $before->from, $before->season()))->found(
                $before->lines,
                $study->focus,
                array_values($groups),
            );
            $study = $study->withFocus([...$found, ...$others])->inOwnColours($data);
        }
        $scope = $study->scope($data);
        $run = $study->rail->run($scope->table($study->measure), $scope);
        $table = $run->table();
        [$from, $to] = self::shown($study, $table->axis);
        $nobody = PeerSet::of([], [], ChosenPeers::all(false), Better::Neither, $scope->conventions);
        $builder = new self(new Comparison($study, $scope, $run, $nobody, $from, $to, [], [], new Precision(0)));

        return $study->part(LinesPart::class)->across === 'measures'
            ? $builder->acrossMeasures()
            : $builder->acrossEntities($table);
    }

    private function acrossEntities(SeriesTable $table): Comparison
    {
        $study = $this->bare->study;
        $lines = [];
        $spacing = Spacing::of($table);
        foreach ($this->bare->data->entities() as $key => $entity) {
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
    private function acrossMeasures(): Comparison
    {
        $lines = $runs = $leftOut = [];
        $subject = $this->bare->subject()->key ?? '';
        foreach ($this->bare->data->measures() as $key => $measure) {
            $origin = $this->bare->data->table((string) $key);
            if ($measure->isAttribute() || !isset($origin->series[$subject])) {
                continue;
            }
            try {
                $run = $this->bare->study->rail->run($origin, $this->bare->data);
            } catch (Refusal $problem) {
                $leftOut[$measure->name] = new LeftOut($problem->getMessage());
                continue;
            }
            $table = $run->table();
            $reason = MeasureRuns::whyNotBeside($measure, $run, $this->bare->run);
            if ($reason !== null) {
                $leftOut[$measure->name] = $reason;
                continue;
            }
            $values = array_fill(0, $this->bare->axis->count, NAN);
            foreach ($table->series[$subject]->values ?? [] as $i => $value) {
                $at = $table->axis->first + $i - $this->bare->axis->first;
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
    private function withLines(array $lines, MeasureRuns $measures, bool $entities): Comparison
    {
        $reference = $this->referenceOf($lines);
        $lines = array_map(fn(Line $l): Line => $l->until($l->last, $this->currentOf($l, $reference)), $lines);
        $present = array_values(array_filter($lines, static fn(Line $line): bool => $line->state !== LineState::Off));
        $conventions = $this->bare->data->conventions;
        $all = ChosenPeers::all($conventions->homeIsPeer);
        $chosen = $entities ? $this->bare->data->chosen ?? $all : $all;
        $peers = PeerSet::of(
            $present,
            $this->bare->data->entities(),
            $chosen,
            $this->bare->better(),
            $conventions,
            $this->throughout($present, $reference),
        );
        $hides = $this->bare->study->part(PeersPart::class)->outside === 'hidden';
        $lines = array_map(
            static fn(Line $l): Line => $l->isGroup() || $l->isBenchmark() || $chosen->holds($l->key)
                ? $l
                : $l->outside($hides),
            $lines,
        );
        $peerLine = $entities ? $this->peerLine($peers) : [];
        $last = $peerLine === [] ? null : Line::lastOf($peerLine, $this->bare->from, $reference);
        $level = $last === null ? NAN : $peerLine[$last];
        $change = fn(Line $l): float => $l->ends($this->bare->from, $this->bare->season())->change();
        $tones = ColourScale::of($this->bare->study, $present, $this->bare->axis, $change, $peers, $level);
        $latest = array_map(static fn(Line $l): float => is_nan($l->latest()) ? $l->end() : $l->latest(), $lines);
        $power = $this->powerOf($lines, $latest);
        $scaled = array_map(static fn(float $v): float => $v / 10.0 ** $power, $latest);
        $known = array_values(array_filter($scaled, static fn(float $v): bool => !is_nan($v)));
        // One alone is told apart from what it was.
        $beside = count($present) === 1 && $power === 0 ? $this->shownOf($present[0]) : $known;
        $decimals = $this->decimalsOf($known, $beside, $power);

        $comparison = new Comparison(
            $this->bare->document,
            $this->bare->data,
            $this->bare->run,
            $peers,
            $this->bare->from,
            $this->bare->to,
            $lines,
            $peerLine,
            new Precision($decimals, $power === 0 ? $this->carried($lines, $decimals) : PHP_INT_MAX, $power),
            $measures,
            reference: $reference,
        );
        if ($this->bare->study->part(TonePart::class)->by === 'prospect') {
            // How lines go on is told of the comparison, whatever their colours.
            $tones = ColourScale::byProspect($present, $comparison->outlooks);
        }

        return $tones === null ? $comparison : $comparison->toned($tones);
    }

    /**
     * Who has a value in every period shown in which anybody has one; null where that does not matter.
     *
     * @param list<Line> $lines
     * @return list<string>|null
     */
    private function throughout(array $lines, int $reference): ?array
    {
        $from = $this->bare->from;
        if ($this->bare->study->part(PeersPart::class)->members !== 'same' || $reference < $from) {
            return null;
        }
        $rows = [];
        foreach ($lines as $line) {
            if (!$line->isGroup() && !$line->isBenchmark()) {
                $rows[$line->key] = array_slice($line->values, $from, $reference - $from + 1);
            }
        }

        return Members::of($rows, $this->bare->axis->frequency)->throughout();
    }

    /** @param list<Line> $lines */
    private function carried(array $lines, int $decimals): int
    {
        if ($this->bare->run->inUse() !== []) {
            return PHP_INT_MAX;
        }
        $carried = 0;
        foreach (array_slice($lines, 0, self::LOOKED_AT) as $line) {
            $carried = max($carried, Numerals::carried($line->values, $decimals + 1));
        }

        return max($decimals, $carried);
    }

    /** @return list<float> what stands for all peers, along the axis; empty where it is not asked for */
    private function peerLine(PeerSet $peers): array
    {
        // A median of places says nothing.
        return $this->bare->run->table()->unit->sort === ValueType::Rank
            ? []
            : match ($this->bare->study->part(PeersPart::class)->line) {
                PeerLine::None => [],
                PeerLine::Median => PeerFigures::quantile($peers->values(), 0.5),
                PeerLine::Mean => PeerFigures::mean($peers->values()),
                PeerLine::Pooled => $this->bare->run->table()->series[PeersPart::POOL]->values ?? [],
            };
    }

    /**
     * The latest period that is finished and has come in for at least half of the lines that go on.
     *
     * @param list<Line> $lines
     */
    private function referenceOf(array $lines): int
    {
        $finished = $this->bare->finished();
        if (!$this->bare->hasOneNow()) {
            return $finished;
        }
        $lasts = [];
        // Groups are made of the others, and what sums them up is none of them.
        $own = array_filter($lines, static fn(Line $line): bool => !$line->isGroup() && !$line->isBenchmark());
        foreach ($own === [] ? $lines : $own as $line) {
            $last = $line->state === LineState::Off ? null : Line::lastOf($line->values, $this->bare->from, $finished);
            if ($last !== null) {
                $lasts[] = $last;
            }
        }
        if ($lasts === []) {
            return $finished;
        }
        // Who stopped more than a year ago does not hold the others up.
        $least = max($lasts) - Members::patience($this->bare->axis->frequency);
        $going = array_filter($lasts, static fn(int $last): bool => $last >= $least);
        rsort($going);

        return $going[intdiv(count($going) - 1, 2)];
    }

    /** The position of a line's value in the reference period; null where it has none. */
    private function currentOf(Line $line, int $reference): ?int
    {
        if (!$this->bare->hasOneNow()) {
            return Line::lastOf($line->values, $this->bare->from, $reference);
        }

        return $reference < $this->bare->from || is_nan($line->values[$reference]) ? null : $reference;
    }

    /**
     * The power of ten that values are written in: amounts of eight digits and more in millions, unless the data say
     * with how many decimals they are written.
     *
     * @param list<Line> $lines
     * @param array<int, float> $latest
     */
    private function powerOf(array $lines, array $latest): int
    {
        $isSaid = $this->bare->run->inUse() === [] && $this->bare->measure->decimals !== null;
        $known = array_filter($latest, static fn(float $v): bool => !is_nan($v));
        $unit = $this->bare->run->table()->unit;
        $isPlain = $isSaid || !$unit->isAmount() || $unit->isInThousands();
        if ($isPlain || $known === [] || max(array_map(abs(...), $known)) < self::LARGE) {
            return 0;
        }
        $largest = 0.0;
        foreach ($lines as $line) {
            foreach (array_slice($line->values, $this->bare->from, $this->bare->to - $this->bare->from + 1) as $value) {
                $largest = abs($value) > $largest ? abs($value) : $largest;
            }
        }

        return Numerals::power($largest);
    }

    /**
     * @param list<float> $latest
     * @param list<float> $beside values that are to be told apart
     * @param int $power of ten that they are in
     */
    private function decimalsOf(array $latest, array $beside, int $power): int
    {
        $asRead = $this->bare->run->inUse() === [] && $power === 0;

        return match (true) {
            $this->bare->run->table()->unit->sort === ValueType::Rank => 0,
            $asRead && $this->bare->measure->decimals !== null => $this->bare->measure->decimals,
            $asRead &&
                $this->bare->measure->unit->counts() &&
                array_filter($latest, static fn(float $v): bool => fmod($v, 1.0) !== 0.0) === []
                => 0,
            default => max($power === 0 ? 0 : 1, Numerals::decimals($latest), $this->telling($beside)),
        };
    }

    /** @return list<float> values of a line up to the period that is spoken of */
    private function shownOf(Line $line): array
    {
        $shown = array_slice($line->values, $this->bare->from, max(0, ($line->current ?? -1) - $this->bare->from + 1));

        return array_values(array_filter($shown, static fn(float $v): bool => !is_nan($v)));
    }

    /**
     * Decimals that tell values apart, but none that the file does not have.
     *
     * @param list<float> $values
     */
    private function telling(array $values): int
    {
        $values = array_slice($values, 0, self::LOOKED_AT);
        $decimals = Numerals::telling($values);

        return $this->bare->run->inUse() === [] ? Numerals::carried($values, $decimals) : $decimals;
    }

    /**
     * @param list<float> $values
     * @param array<int, true> $absent
     */
    private function lineOf(string $key, string $name, string $group, array $values, array $absent = []): Line
    {
        $isApart = ($this->bare->data->entities()[$key] ?? null)?->isApart() ?? false;

        return new Line(
            $key,
            $name,
            $group,
            $this->bare->study->state($key),
            $this->bare->study->focus[$key] ?? 0,
            $values,
            Line::lastOf($values, $this->bare->from, $this->bare->to),
            null,
            false,
            $absent,
            role: $isApart ? LineRole::Benchmark : LineRole::Compared,
        );
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
}
