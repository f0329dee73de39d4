<?php

declare(strict_types=1);

namespace App\Drawing;

use App\Models\HouseStyle;
use DuskRail\Document\HouseSettings;
use DuskRail\Notation;
use Illuminate\Support\Facades\App;
use IntlDateFormatter;
use Locale;
use NumberFormatter;

/** Numbers and months as the house writes them, by the locales of ICU. Sentences stay English. */
final class HouseNotation
{
    public static function apply(): void
    {
        self::use(HouseStyle::current()->asSettings()->locale);
    }

    public static function use(string $locale): void
    {
        if ($locale === 'en') {
            Notation::useEnglish();

            return;
        }
        $numbers = new NumberFormatter($locale, NumberFormatter::DECIMAL);
        Notation::use(
            (string) $numbers->getSymbol(NumberFormatter::DECIMAL_SEPARATOR_SYMBOL),
            (string) $numbers->getSymbol(NumberFormatter::GROUPING_SEPARATOR_SYMBOL),
            self::months($locale),
        );
    }

    /** @return array<string, string> what can be chosen, each with an example */
    public static function offered(): array
    {
        $offered = [];
        foreach (array_keys(HouseSettings::LOCALES) as $locale) {
            $number = (string) (new NumberFormatter($locale, NumberFormatter::DECIMAL))->format(12_345.6);
            $language = mb_convert_case((string) Locale::getDisplayName($locale, App::getLocale()), MB_CASE_TITLE);
            $offered[$locale] = "{$language}: {$number}, " . self::months($locale)[2];
        }

        return $offered;
    }

    /** @return list<string> */
    private static function months(string $locale): array
    {
        $format = new IntlDateFormatter($locale, IntlDateFormatter::NONE, IntlDateFormatter::NONE, 'UTC', null, 'LLL');

        return array_map(
            static fn(int $month): string => (string) $format->format((int) gmmktime(0, 0, 0, $month, 1, 2000)),
            range(1, 12),
        );
    }
}
