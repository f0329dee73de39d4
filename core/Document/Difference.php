<?php

declare(strict_types=1);

namespace DuskRail\Document;

/** In which places two states of a study differ, so that edits made at once can be told to meet or to pass. */
final class Difference
{
    /**
     * The places that two edits of one state both changed, each to something else. What both add is no such place: one
     * goes beside the other.
     *
     * @return list<string> paths, as `words.headline` or `rail.s1.settings.window`
     */
    public static function clashes(Study $base, Study $one, Study $other): array
    {
        [$from, $mine, $theirs] = array_map(self::places(...), [$base, $one, $other]);
        $clashes = [];
        foreach ($from + $mine + $theirs as $path => $any) {
            $was = $from[$path] ?? null;
            [$a, $b] = [$mine[$path] ?? null, $theirs[$path] ?? null];
            $isNewStop = preg_match('/^rail\.([^.]+)\./', $path, $m) === 1 && !isset($from["rail.{$m[1]}.stop"]);
            if ($a !== $was && $b !== $was && $a !== $b && !$isNewStop) {
                $clashes[] = $path;
            }
        }

        return $clashes;
    }

    /** @return array<string, scalar> what is in each place; lists without an order are taken one by one */
    private static function places(Study $study): array
    {
        $document = StudyDocument::write($study);
        $rail = [];
        foreach (self::rows($document, 'rail') as $stop) {
            $rail[self::text(is_array($stop) ? $stop['id'] ?? '' : '')] = $stop;
        }

        $document['rail'] = $rail;
        // A line is in focus, off, or neither.
        $states = array_fill_keys(array_map(self::text(...), self::rows($document, 'off')), 'off');
        foreach (self::rows($document, 'focus') as $line) {
            $states[self::text(is_array($line) ? $line['line'] ?? '' : '')] = 'focus';
        }
        $document['focus'] = $states;
        unset($document['off']);
        $document['dismissed'] = array_fill_keys(array_map(self::text(...), self::rows($document, 'dismissed')), true);
        $document['units'] = array_column(self::rows($document, 'units'), 'unit', 'value');
        $marks = is_array($document['marks'] ?? null) ? $document['marks'] : [];
        $document['marks'] = array_fill_keys(array_map(self::text(...), self::rows($marks, 'marks')), true);
        $places = [];
        self::flatten($document, '', $places);

        return $places;
    }

    /**
     * @param array<array-key, mixed> $of
     * @return list<mixed>
     */
    private static function rows(array $of, string $name): array
    {
        return is_array($of[$name] ?? null) ? array_values($of[$name]) : [];
    }

    private static function text(mixed $of): string
    {
        return is_string($of) ? $of : (string) json_encode($of);
    }

    /**
     * @param array<array-key, mixed> $of
     * @param array<string, scalar> $places
     */
    private static function flatten(array $of, string $path, array &$places): void
    {
        foreach ($of as $name => $value) {
            if (is_array($value)) {
                self::flatten($value, "{$path}{$name}.", $places);
            } elseif (is_scalar($value)) {
                $places["{$path}{$name}"] = $value;
            }
        }
    }
}
