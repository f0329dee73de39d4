<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

use DuskRail\Document\InvalidStudy;
use DuskRail\Document\Parts\BeforeAfterPart;
use DuskRail\Document\Parts\Mark;
use DuskRail\Document\Parts\MarksPart;
use DuskRail\Rail\EventDates;
use DuskRail\Time\Frequency;
use DuskRail\Time\Period;
use DuskRail\Time\UnknownPeriod;

/** Who had an event, when, and who is compared with them. */
final readonly class EventMembers
{
    /**
     * @param string $event what it is called; nothing where it has no name
     * @param array<array-key, Line> $with by key
     * @param array<array-key, Period> $dates of the same
     * @param array<array-key, Line> $without by key
     * @param string $name of those with it, as they are called in sentences
     * @param string $others of those without it; nothing for all others
     */
    private function __construct(
        public string $event,
        public array $with,
        public array $dates,
        public array $without,
        public string $name,
        public string $others,
    ) {}

    /** @throws InvalidStudy where nobody had it, everybody did, or nothing says when */
    public static function of(Comparison $comparison): self
    {
        $part = $comparison->study->part(BeforeAfterPart::class);
        $lines = [];
        foreach ($comparison->present() as $line) {
            if (!$line->isGroup() && !$line->isBenchmark()) {
                $lines[$line->key] = $line;
            }
        }
        $mark = $part->event->isNone() ? self::marked($comparison) : null;
        $events = $mark === null ? $part->event : EventDates::parse($mark->at);
        self::known($events, $comparison, $lines);
        $set = $part->with === '' ? null : self::set($comparison, $part->with, 'with it');
        [$with, $dates] = self::dated($lines, $events, $set, self::focus($comparison));
        self::refuse($with, $dates);
        $without = self::without($comparison, $part, array_diff_key($lines, $with));

        return new self(
            $part->called !== '' ? $part->called : $mark->text ?? '',
            array_intersect_key($with, $dates),
            array_intersect_key($dates, $with),
            $without,
            match (true) {
                count($with) === 1 => array_values($with)[0]->name,
                $set !== null && $events->own === [] => $set->name,
                default => '',
            },
            $part->without === '' ? '' : self::set($comparison, $part->without, 'without it')->name,
        );
    }

    /**
     * @param array<array-key, Line> $with
     * @param array<array-key, Period> $dates
     *
     * @throws InvalidStudy
     */
    private static function refuse(array $with, array $dates): void
    {
        if ($with === []) {
            throw InvalidStudy::because(
                'Nothing says who had the event. Put them in focus, choose them at “with it” under “Event”, or enter ' .
                    'names with their dates there (Veldmere 2019; Tarrow 2020).',
            );
        }
        if ($dates === []) {
            throw InvalidStudy::because(
                'Nothing says when the event was. Enter its date under “Event” (2022-03), or add an ' .
                    'annotation of an event.',
            );
        }
    }

    /**
     * @param array<array-key, Line> $lines that did not have it
     * @return array<array-key, Line>
     *
     * @throws InvalidStudy
     */
    private static function without(Comparison $comparison, BeforeAfterPart $part, array $lines): array
    {
        $others = $part->without === '' ? null : self::set($comparison, $part->without, 'without it');
        $without = array_filter(
            $lines,
            static fn(Line $line): bool => $others === null
                ? $line->role === LineRole::Compared
                : array_key_exists($line->key, $others->dates),
        );

        return $without !== []
            ? $without
            : throw InvalidStudy::because(
                $others === null
                    ? 'All lines had the event, so nobody is left to compare them with. Choose fewer at “with it” ' .
                        'under “Event”.'
                    : "All of {$others->name} had the event or are not shown. Choose others at “without it” under " .
                        '“Event”.',
            );
    }

    /** The first event among the annotations. */
    private static function marked(Comparison $comparison): ?Mark
    {
        foreach ($comparison->study->part(MarksPart::class)->marks as $mark) {
            try {
                if ($mark->kind === 'event' && Period::parse($mark->at)->frequency !== Frequency::Number) {
                    return $mark;
                }
            } catch (UnknownPeriod) {
                // Marked in periods that are none here.
            }
        }

        return null;
    }

    /** @throws InvalidStudy */
    private static function set(Comparison $comparison, string $key, string $where): MemberSet
    {
        return MemberSet::of($comparison, $key) ??
            throw InvalidStudy::because(
                "Nobody is in what is chosen at “{$where}” under “Event”; its group, peer set or attribute " .
                    'is no longer in the data. Choose another.',
            );
    }

    /**
     * Those that the study has in focus, groups by their members.
     *
     * @return list<string> keys
     */
    private static function focus(Comparison $comparison): array
    {
        $keys = [];
        foreach ($comparison->focus() as $line) {
            $members = $line->isGroup()
                ? array_keys(MemberSet::of($comparison, 'group:' . substr($line->key, 2))->dates ?? [])
                : [$line->key];
            array_push($keys, ...array_map(strval(...), $members));
        }

        return $keys;
    }

    /**
     * @param array<array-key, Line> $lines
     * @param list<string> $focus
     * @return array{array<array-key, Line>, array<array-key, Period>} those with it, and their dates
     */
    private static function dated(array $lines, EventDates $events, ?MemberSet $set, array $focus): array
    {
        $with = $dates = [];
        foreach ($lines as $key => $line) {
            $own = $events->of($line->name, $line->group) ?? ($set->dates[$key] ?? null);
            // Where some have dates of their own, the others have it only if they are chosen as well.
            $isChosen = $set !== null
                ? array_key_exists($key, $set->dates)
                : in_array((string) $key, $focus, true) && ($events->own === [] || $events->common !== null);
            $date = $own ?? ($isChosen ? $events->common : null);
            if ($own !== null || $isChosen) {
                $with[$key] = $line;
            }
            if ($date !== null) {
                $dates[$key] = $date;
            }
        }

        return [$with, $dates];
    }

    /**
     * @param array<array-key, Line> $lines
     *
     * @throws InvalidStudy
     */
    private static function known(EventDates $events, Comparison $comparison, array $lines): void
    {
        $names = [];
        foreach ($comparison->data->entities() as $entity) {
            array_push($names, $entity->name, $entity->group);
        }
        foreach ($lines as $line) {
            $names[] = $line->name;
        }
        $unknown = $events->unknownAmong(array_values(array_filter(array_unique($names))));
        if ($unknown !== []) {
            throw InvalidStudy::because(
                "No line or group is called “{$unknown[0]}” (event). Enter the name as in the roster, or its first " .
                    'word.',
            );
        }
    }
}
