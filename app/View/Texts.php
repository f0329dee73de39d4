<?php

declare(strict_types=1);

namespace App\View;

use App\Data\VersionKind;
use App\Drawing\Out\HandOverFormats;
use App\Formats\Out\DatasetFormats;
use DuskRail\Chart\Palette;
use DuskRail\Data\MeasureKind;
use DuskRail\Data\Status;
use DuskRail\Document\HouseSettings;
use DuskRail\Document\PartCatalogue;
use DuskRail\Document\Parts\Mark;
use DuskRail\Document\Parts\OwnLabels;
use DuskRail\Document\Parts\OwnLook;
use DuskRail\Document\RosterSort;
use DuskRail\Document\ViewCatalogue;
use DuskRail\Outcome\ReaderChoices;
use DuskRail\Peers\PeerRules;
use DuskRail\Rail\StopCatalogue;
use DuskRail\Rail\StopCategory;
use DuskRail\Reading\Dialect;
use DuskRail\Reading\EventSummary;
use DuskRail\Reading\NumberNotation;
use DuskRail\Reading\Role;
use DuskRail\Reading\TableShapes;
use DuskRail\Settings\Declaration;
use DuskRail\Settings\HasSettings;
use DuskRail\Settings\Kinds\AllOrWhole;
use DuskRail\Settings\Setting;
use DuskRail\Time\Frequency;
use DuskRail\Time\PeriodNotation;
use DuskRail\Views\View;
use DuskRail\Words\PeerStatistics;
use Symfony\Component\Finder\Finder;

/**
 * The texts of the interface, which a language file translates: those of the templates and scripts, and what the core
 * calls its settings, options, stops and views. Sentences that are made from the data are not among them.
 */
final class Texts
{
    /** What scripts say: a page brings them along, since a script cannot look into the language files. */
    private const SCRIPTS = [
        'Changed in another window: :change.',
        'Copied',
        'Enter: working',
        'First period shown',
        'Last period shown',
        'New data are available.',
        'No answer from the server. Close the editor, and open it again.',
        'No answer from the server. Nothing was lost. Try again later.',
        'Release to set the axis limit',
        'Show',
        'Tap again: focus',
        'Tap again: working',
        'The image could not be copied. Save it as PNG instead.',
        'The server reported an error (:status). Nothing was changed. Try again.',
        'an earlier state',
        'from :value',
        'no value',
        'none',
        'to :value',
    ];

    /** @return list<string> in English, sorted */
    public static function all(): array
    {
        $texts = array_unique([...self::written(), ...self::SCRIPTS, ...self::names()]);
        $texts = array_values(
            array_filter($texts, static fn(string $text): bool => preg_match('/\p{L}{2}/u', $text) === 1),
        );
        sort($texts);

        return $texts;
    }

    /** @return array<string, string> texts of the scripts that are worded otherwise than they say themselves */
    public static function forScripts(): array
    {
        $texts = [];
        foreach (self::SCRIPTS as $text) {
            $texts[$text] = Label::of($text);
        }

        return array_filter(
            $texts,
            static fn(string $worded, string $text): bool => $worded !== $text,
            ARRAY_FILTER_USE_BOTH,
        );
    }

    /** @return list<string> literals of the templates and of the application, and what signals offer to do */
    private static function written(): array
    {
        $text = "'((?:[^'\\\\]|\\\\.)*)'";
        $texts = [];
        foreach (Finder::create()->files()->in([resource_path('views'), app_path()])->sortByName() as $file) {
            preg_match_all("/\\b(?:__|trans_choice)\\(\\s*{$text}/", $file->getContents(), $found);
            $texts = [...$texts, ...$found[1]];
        }
        foreach (Finder::create()->files()->in(base_path('core/Signals'))->sortByName() as $file) {
            preg_match_all("/withRemedy\\([^,']*{$text}(?:\\s*:\\s*{$text})?/", $file->getContents(), $found);
            $texts = [...$texts, ...$found[1], ...$found[2]];
        }

        return array_map(stripslashes(...), $texts);
    }

    /** @return list<string> what the core and the formats call their own */
    private static function names(): array
    {
        $names = [
            'Groups',
            'Whole groups',
            AllOrWhole::HINT,
            ...array_map(static fn(string $one): string => $one::title(), PeerStatistics::all()),
            ...array_values(ReaderChoices::CONTROLS),
            ...array_values(Palette::NAMES),
            ...array_map(Setting::capital(...), array_values(Dialect::DELIMITERS)),
            ...array_map(static fn(RosterSort $sort): string => $sort->label(), RosterSort::cases()),
            ...array_map(static fn(StopCategory $purpose): string => $purpose->label(), StopCategory::cases()),
            ...array_map(static fn(PictureSize $size): string => $size->label(), PictureSize::cases()),
            ...array_map(static fn(VersionKind $kind): string => $kind->inWords(), VersionKind::cases()),
            ...array_values(Benchmarks::choices()),
            ...array_map(static fn(string $format): string => $format::label(), array_values(DatasetFormats::ALL)),
            ...array_map(
                static fn(EventSummary $way): string => Setting::capital($way->label()),
                EventSummary::cases(),
            ),
            ...array_map(static fn(Status $status): string => Setting::capital($status->inWords()), Status::cases()),
            ...array_map(static fn(Role $role): string => Setting::capital($role->label()), Role::cases()),
            ...array_map(static fn(PeriodNotation $notation): string => $notation->example(), PeriodNotation::cases()),
            ...array_map(static fn(NumberNotation $notation): string => $notation->example(), NumberNotation::cases()),
            ...Editor::labels(),
        ];
        foreach (HandOverFormats::all() as $format) {
            $names = [...$names, $format::label(), $format::about()];
        }
        foreach (MeasureKind::cases() as $kind) {
            $names = [...$names, $kind->meaning(), Setting::capital($kind->meaning())];
        }
        foreach (Frequency::cases() as $frequency) {
            $names = [...$names, $frequency->adjective(), Setting::capital($frequency->value)];
        }
        foreach (TableShapes::all() as $shape) {
            $names = [
                ...$names,
                Setting::capital($shape->label()),
                $shape->label(),
                Setting::capital($shape->across()),
            ];
        }
        foreach (ViewCatalogue::all() as $view) {
            $names = [...$names, $view->title(), $view instanceof View ? $view->about() : ''];
        }
        foreach (StopCatalogue::all() as $stop) {
            $names = [...$names, $stop::title(), $stop::purpose(), ...self::ofSettings($stop)];
        }
        $others = [...PeerRules::all(), HouseSettings::class, Mark::class, OwnLook::class, OwnLabels::class];
        foreach ([...array_values(PartCatalogue::all()), ...$others] as $part) {
            $names = [...$names, ...self::ofSettings($part)];
        }

        return $names;
    }

    /**
     * @param class-string<HasSettings> $class
     * @return list<string> names of the fields, of what can be chosen in them, and what is in them while empty
     */
    private static function ofSettings(string $class): array
    {
        $texts = [];
        foreach (Declaration::of($class)->all() as $setting) {
            $own = get_object_vars($setting->kind);
            $own['lead'] = $own['lead'] === '' ? $own['label'] : $own['lead'];
            foreach (['lead', 'leads', 'options', 'yes', 'no'] as $property) {
                $texts = [...$texts, ...array_map(Setting::capital(...), self::strings($own[$property] ?? []))];
            }
            foreach (['none', 'hint', 'hints'] as $property) {
                $texts = [...$texts, ...self::strings($own[$property] ?? [])];
            }
        }

        return array_merge(...array_map(self::worded(...), $texts));
    }

    /** @return list<string> */
    private static function strings(mixed $property): array
    {
        return array_values(array_filter((array) $property, is_string(...)));
    }

    /** @return list<string> a text for every length of the periods, where it names them */
    private static function worded(string $text): array
    {
        return preg_match('/\{[Pp]eriod/', $text) === 1
            ? array_map(
                static fn(Frequency $frequency): string => str_replace(
                    ['{periods}', '{period}', '{Periods}'],
                    ["{$frequency->noun()}s", $frequency->noun(), Setting::capital("{$frequency->noun()}s")],
                    $text,
                ),
                Frequency::cases(),
            )
            : [$text];
    }
}
