<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

use DuskRail\Data\Numerals;
use DuskRail\Document\Parts\PeersPart;
use DuskRail\Document\Parts\TonePart;
use DuskRail\Document\Study;
use DuskRail\Time\PeriodAxis;

/** The colours of lines by a value of theirs, and the scale that a key shows. */
final readonly class ColourScale
{
    /** Hues of prospects: what is like each other has the same. */
    private const PROSPECTS = [
        ...['on course' => 2, 'met' => 2, 'reached' => 2, 'in sight' => 2],
        ...['uncertain' => 3, 'too far ahead' => 4],
        ...['off course' => 1, 'missed' => 1, 'not in sight' => 1],
    ];

    /**
     * @param array<string, Tone> $tones by line
     * @param string $low what the first step stands for, as it is written
     * @param string $middle of two arms what they part at, else nothing
     * @param string $high what the last step stands for
     * @param array<string, int> $groups hue by name of the group, where lines are coloured by groups
     */
    private function __construct(
        public string $name,
        public bool $about,
        public array $tones,
        public string $low,
        public string $middle,
        public string $high,
        public array $groups = [],
    ) {}

    /**
     * @param list<Line> $lines that take part
     * @param PeriodAxis $axis that they run along
     * @param callable(Line): float $change of a line over the time shown
     * @param PeerSet $peers among whom lines have their places
     * @param float $level what two arms part at where nothing else is given: the level of the peers' line, or NAN
     * @return self|null null where lines are not coloured by a value of now, or no line has one
     */
    public static function of(
        Study $study,
        array $lines,
        PeriodAxis $axis,
        callable $change,
        PeerSet $peers,
        float $level,
    ): ?self {
        $part = $study->part(TonePart::class);
        if ($part->by === 'group') {
            return self::byGroup($lines);
        }
        $target = $study->part(PeersPart::class)->target;
        $figures = [];
        foreach (in_array($part->by, ['none', 'prospect'], true) ? [] : $lines as $line) {
            if ($line->current !== null) {
                $figures[$line->key] = match ($part->by) {
                    'change' => $change($line),
                    'target' => $line->latest() - $target->at($line->name, $axis, $line->current),
                    'place' => (float) ($peers->rankOf($line, $line->current)->rank ?? NAN),
                    default => $line->latest(),
                };
            }
        }
        $figures = array_filter($figures, static fn(float $v): bool => !is_nan($v));
        if ($figures === []) {
            return null;
        }
        [$low, $high] = [min($figures), max($figures)];
        $middle = self::middle($part, $low, $high, $level);
        $reach = $middle === null ? 0.0 : max($high - $middle, $middle - $low);
        if ($middle !== null) {
            [$low, $high] = [$middle - $reach, $middle + $reach];
        }
        $tones = [];
        foreach ($figures as $key => $figure) {
            $step = $middle === null ? self::rising($figure, $low, $high) : self::onArms($figure, $middle, $reach);
            // The first place is the strong end.
            $tones[(string) $key] = new Tone($middle !== null, $part->by === 'place' ? Tone::STEPS + 1 - $step : $step);
        }

        return self::named($part, $tones, $low, $middle, $high);
    }

    /**
     * Each prospect has a hue, whichever are there; lines that nothing is told of stay as they are.
     *
     * @param list<Line> $lines
     */
    public static function byProspect(array $lines, Outlooks $outlooks): ?self
    {
        $tones = $hues = [];
        foreach ($lines as $line) {
            $outlook = $outlooks->of($line);
            $hue = $outlook === null ? null : self::PROSPECTS[$outlook->prospect->value] ?? null;
            if ($outlook !== null && $hue !== null) {
                $tones[$line->key] = new Tone(false, $hue, true);
                $hues[$outlook->prospect->value] = $hue;
            }
        }
        asort($hues);

        return $tones === [] ? null : new self('target', false, $tones, '', '', '', $hues);
    }

    /**
     * Each of the largest groups has a hue; lines of others stay as they are.
     *
     * @param list<Line> $lines
     */
    private static function byGroup(array $lines): ?self
    {
        $of = static fn(Line $line): string => $line->isGroup() ? $line->name : $line->group;
        $sizes = array_count_values(array_map($of, $lines));
        unset($sizes['']);
        // Of equal size the one that is named first.
        arsort($sizes);
        $names = array_map(strval(...), array_slice(array_keys($sizes), 0, Study::MOST_FOCUS));
        sort($names, SORT_NATURAL | SORT_FLAG_CASE);
        $hues = array_combine($names, $names === [] ? [] : range(1, count($names)));
        $tones = [];
        foreach ($lines as $line) {
            $hue = $hues[$of($line)] ?? null;
            if ($hue !== null) {
                $tones[$line->key] = new Tone(false, $hue, true);
            }
        }

        return $tones === [] ? null : new self('group', false, $tones, '', '', '', $hues);
    }

    /** @param array<string, Tone> $tones */
    private static function named(TonePart $part, array $tones, float $low, ?float $middle, float $high): self
    {
        $power = Numerals::power(max(abs($low), abs($high)));
        $decimals = Numerals::decimals([$low / 10 ** $power, $high / 10 ** $power]);
        $written = static fn(float $v): string => match ($part->by) {
            'place' => Numerals::text($v, 0),
            'latest' => Numerals::scaled($v, $decimals, $power),
            default => Numerals::signed($v, $decimals),
        };
        $ends = $part->by === 'place' ? [$written($high), $written($low)] : [$written($low), $written($high)];
        $names = ['change' => 'change over the time shown', 'place' => 'place', 'target' => 'distance from the target'];

        return new self(
            $names[$part->by] ?? 'latest value',
            $middle !== null,
            $tones,
            $ends[0],
            $middle === null || $part->by === 'place' ? '' : $written($middle),
            $ends[1],
        );
    }

    /** What two arms part at; null on a scale that only rises. */
    private static function middle(TonePart $part, float $low, float $high, float $peers): ?float
    {
        return match (true) {
            $part->by === 'target' => 0.0,
            $part->scale !== 'about' => null,
            $part->by === 'place' => ($low + $high) / 2,
            $part->middle !== null => $part->middle,
            $part->by === 'change' => 0.0,
            default => is_nan($peers) ? ($low + $high) / 2 : $peers,
        };
    }

    private static function rising(float $figure, float $low, float $high): int
    {
        return $high > $low
            ? 1 + min(Tone::STEPS - 1, (int) floor((Tone::STEPS * ($figure - $low)) / ($high - $low)))
            : intdiv(Tone::STEPS, 2) + 1;
    }

    private static function onArms(float $figure, float $middle, float $reach): int
    {
        $arms = intdiv(Tone::STEPS, 2);

        return $arms + 1 + ($reach > 0.0 ? (int) round(($arms * ($figure - $middle)) / $reach) : 0);
    }
}
