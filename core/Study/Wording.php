<?php

declare(strict_types=1);

namespace DuskRail\Study;

use DomainException;
use DuskRail\Data\Sort;
use DuskRail\Study\Parts\PeerLine;
use DuskRail\Time\Frequency;

/** The words around a chart as they are shown: what the user wrote, or what the program says as long as she has not. */
final readonly class Wording
{
    /** @param string $marked the headline with its mark-up, as it is written */
    private function __construct(public string $headline, public string $marked, public string $subtitle, public string $source) {}

    /** @param string $source the line under the picture, unless the study has one of its own */
    public static function of(Comparison $comparison, string $source): self
    {
        $words = $comparison->study->words;
        $marked = LiveNumber::filled($words->headline ?? self::headline($comparison), $comparison);

        return new self(
            implode('', array_column(self::coloured($marked, $comparison), 'text')),
            $marked,
            LiveNumber::filled($words->subtitle ?? self::subtitle($comparison), $comparison),
            $words->source ?? $source,
        );
    }

    /**
     * A text cut where the name of a line in focus stands, so that it can take the line's colour.
     *
     * A name of several words is also known by its first, if that is long enough and no other entity begins with it. What
     * is written as `[half of it|Veldmere]` takes the colour of that line; what stands between asterisks is bold.
     *
     * @return list<array{text: string, ink: string, bold: bool}> ink is the name of a colour, nothing for plain text
     */
    public static function coloured(string $text, Comparison $comparison): array
    {
        $inks = [];
        foreach ($comparison->focus() as $line) {
            $ink = $line->ink();
            $inks[$line->name] = $ink;
            $first = explode(' ', $line->name)[0];
            $alike = array_filter($comparison->lines, static fn(Line $l): bool => str_starts_with($l->name, $first));
            if (mb_strlen($first) >= 4 && count($alike) === 1) {
                $inks[$first] = $ink;
            }
        }
        $parts = [];
        foreach (preg_split('/(\*[^*\n]+\*)/u', $text, -1, PREG_SPLIT_DELIM_CAPTURE | PREG_SPLIT_NO_EMPTY) ?: [$text] as $piece) {
            $bold = preg_match('/^\*[^*\n]+\*$/u', $piece) === 1;
            foreach (preg_split('/(\[[^\[\]|]+\|[^\[\]|]*\])/u', $bold ? substr($piece, 1, -1) : $piece, -1, PREG_SPLIT_DELIM_CAPTURE | PREG_SPLIT_NO_EMPTY) ?: [] as $phrase) {
                if (preg_match('/^\[([^\[\]|]+)\|([^\[\]|]*)\]$/u', $phrase, $m) === 1) {
                    $parts[] = ['text' => $m[1], 'ink' => $inks[trim($m[2])] ?? '', 'bold' => $bold];
                    continue;
                }
                foreach (self::byName($phrase, $inks) as $one) {
                    $parts[] = ['text' => $one, 'ink' => $inks[$one] ?? '', 'bold' => $bold];
                }
            }
        }

        return $parts === [] ? [['text' => $text, 'ink' => '', 'bold' => false]] : $parts;
    }

    /**
     * What can be written after a bracket: colours of lines after `[phrase|`, live numbers after `{`.
     *
     * @return list<string> the whole piece from its opening sign, or of a colour from the bar before the name
     */
    public static function completions(Comparison $comparison, bool $colours): array
    {
        $pieces = [];
        $start = $comparison->axis->count === 0 ? '' : $comparison->axis->period($comparison->from)->short();
        foreach ($comparison->focus() as $line) {
            $pieces = [...$pieces, ...($colours ? ["|{$line->name}]"] : []), "{value {$line->name}}", "{change {$line->name} since {$start}}", "{place {$line->name}}"];
        }

        return [...$pieces, '{period}'];
    }

    /**
     * @param array<array-key, string> $inks by name
     * @return list<string> the names, and what lies between them
     */
    private static function byName(string $text, array $inks): array
    {
        if ($inks === []) {
            return [$text];
        }
        $names = array_map(strval(...), array_keys($inks));
        usort($names, static fn(string $a, string $b): int => strlen($b) <=> strlen($a));
        $pattern = '/(?<![\p{L}\p{N}])('.implode('|', array_map(static fn(string $n): string => preg_quote($n, '/'), $names)).')(?![\p{L}\p{N}])/u';

        return preg_split($pattern, $text, -1, PREG_SPLIT_DELIM_CAPTURE | PREG_SPLIT_NO_EMPTY) ?: [$text];
    }

    private static function headline(Comparison $comparison): string
    {
        try {
            return match ($comparison->study->isSplit() && $comparison->study->view !== View::Scatter ? View::Lines : $comparison->study->view) {
                View::Overlay => self::ofYears($comparison),
                View::Stack => self::ofParts($comparison),
                View::Scatter => $comparison->measure->name.' against '.mb_strtolower(Scattered::of($comparison)->horizontal->measure->name),
                default => self::ofLines($comparison),
            };
        } catch (DomainException) {
            // The view says itself why it cannot be.
            return self::ofLines($comparison);
        }
    }

    private static function ofYears(Comparison $comparison): string
    {
        $distance = Overlay::distance(Lineup::shown($comparison));

        return $distance === '' ? self::ofLines($comparison) : ($comparison->subject()->name ?? '')." {$distance}";
    }

    private static function ofParts(Comparison $comparison): string
    {
        $lineup = Lineup::of($comparison);
        $stacked = Stacked::of($lineup);
        $last = count($stacked->layers) < 5 ? null : Line::lastOf($stacked->totals, $lineup->from, $lineup->to);
        if ($last === null || ! $stacked->adds) {
            return "{$comparison->measure->name}, the parts of the whole";
        }

        return sprintf('The largest three make %.0f %% of the whole in %s', $stacked->largest(3, $last), $comparison->axis->period($last)->label());
    }

    private static function ofLines(Comparison $comparison): string
    {
        $focus = $comparison->focus()[0] ?? null;
        $measure = $comparison->measure->name;
        if ($focus === null || $focus->last === null) {
            return "{$measure}, ".count($comparison->present()).' side by side';
        }
        $value = $comparison->format($focus->latest());
        $when = match ($comparison->axis->frequency) {
            Frequency::Day => 'on ',
            Frequency::Number => 'at ',
            default => 'in ',
        }.$comparison->axis->period($focus->last)->label();
        $peers = count($comparison->summarised());
        $level = $comparison->peerLine[$focus->last] ?? NAN;
        if ($peers < 2 || is_nan($level)) {
            return "{$focus->name}: {$value} {$when}";
        }

        $summary = $comparison->study->peers;
        $whose = ($summary->group === '' ? 'its' : 'the')." {$peers} ".($summary->group === '' ? '' : mb_strtolower($summary->group).' ').'peers';
        $said = $summary->line === PeerLine::Together ? "{$whose} together come to" : "the {$summary->line->value} of {$whose} is";

        return "{$focus->name} stands at {$value} {$when}; {$said} {$comparison->format($level)}";
    }

    private static function subtitle(Comparison $comparison): string
    {
        if ($comparison->study->view === View::Scatter) {
            try {
                return '↑ '.self::axis($comparison).'; → '.self::axis(Scattered::of($comparison)->horizontal);
            } catch (DomainException) {
                return self::axis($comparison);
            }
        }

        return self::axis($comparison);
    }

    /** What an axis is: the measure, what was done to it, and the unit unless that has been said. */
    private static function axis(Comparison $comparison): string
    {
        $text = $comparison->study->lines->across === 'measures' ? ($comparison->subject()->name ?? '').', measure by measure' : $comparison->measure->name;
        $parts = [];
        foreach ($comparison->run->legs as $leg) {
            if ($leg->placed->bypassed || $leg->refusal !== null) {
                continue;
            }
            $phrase = $leg->placed->stop->phrase($leg->arriving, $comparison->data);
            if (str_starts_with($phrase, 'per ') && $parts === []) {
                $text .= " {$phrase}";
            } else {
                $parts[] = $phrase;
            }
        }
        if ($comparison->study->view === View::Stack && $comparison->study->stack->form === 'shares') {
            return implode(', ', [$text, ...$parts, 'per cent of the whole']);
        }
        $unit = $comparison->run->table()->unit;
        if ($unit->sort !== Sort::Index && $unit->text() !== '') {
            $parts[] = $unit->text();
        }

        return implode(', ', [$text, ...$parts]);
    }
}
