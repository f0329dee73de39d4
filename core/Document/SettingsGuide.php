<?php

declare(strict_types=1);

namespace DuskRail\Document;

use DuskRail\Peers\PeerRules;
use DuskRail\Rail\StopCatalogue;
use DuskRail\Settings\Declaration;
use DuskRail\Settings\HasSettings;

/** The page of docs that lists every setting of stops and parts, made from their declarations. */
final class SettingsGuide
{
    /** @return string Markdown */
    public static function write(): string
    {
        $text =
            "# Settings\n\nWritten by `php artisan docs:write` from the declarations in the code. " .
            "[study-format.md](study-format.md) says what a study document is.\n\nA setting that a " .
            "document does not have takes its default.\n\n## Stops\n";
        foreach (StopCatalogue::all() as $type => $class) {
            $text .= self::section(
                "`{$type}`: {$class::title()}",
                rtrim(ucfirst($class::purpose()), ' …') . '.',
                $class,
            );
        }
        $text .= "\n## Parts\n";
        foreach (PartCatalogue::all() as $name => $class) {
            $text .= self::section("`{$name}`: {$class::title()}", '', $class);
        }

        $text .= "\n## Rules of peer sets\n\nA file has the settings of all rules side by side.\n";
        foreach (PeerRules::all() as $class) {
            $text .= self::section($class::title(), '', $class);
        }
        $of = 'Of the whole installation, and the conventions of its new studies.';

        return $text . "\n## House style\n" . self::section('`house`: House style', $of, HouseSettings::class);
    }

    /** @param class-string<HasSettings> $class */
    private static function section(string $heading, string $about, string $class): string
    {
        $text = "\n### {$heading}\n\n" . ($about === '' ? '' : "{$about}\n\n");
        $text .= "| setting | is | can be | default |\n|---|---|---|---|\n";
        foreach (Declaration::of($class)->all() as $setting) {
            $kind = $setting->kind;
            $about = $kind->about === '' ? $kind->label : "{$kind->label}: {$kind->about}";
            $default = $setting->required
                ? 'none; must be given'
                : '`' .
                    json_encode($kind->write($setting->default), JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES) .
                    '`';
            $text .=
                "| `{$setting->name}` | " .
                self::cell($about) .
                ' | ' .
                self::cell($kind->allowed()) .
                " | {$default} |\n";
        }

        return $text;
    }

    private static function cell(string $text): string
    {
        return str_replace('|', '\|', $text);
    }
}
