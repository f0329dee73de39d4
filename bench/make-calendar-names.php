<?php

declare(strict_types=1);

/**
 * Writes core/Time/month-names.php and weekday-names.php: the names of months and weekdays, full and short, in the
 * languages of this machine's ICU, each with its number. Where two languages mean different ones by one name, the
 * earlier of them has it.
 *
 *     php bench/make-calendar-names.php
 */
$first = [
    'en',
    'de',
    'fr',
    'es',
    'it',
    'pt',
    'nl',
    'pl',
    'sv',
    'da',
    'nb',
    'fi',
    'cs',
    'hu',
    'ro',
    'el',
    'tr',
    'ru',
    'uk',
];
$all = ResourceBundle::getLocales('') ?: [];
/** @var list<string> $locales */
$locales = array_values(array_unique(array_map(strval(...), [...$first, ...array_filter($all, is_string(...))])));
// Days of which each has the number that it is called by: 1 January 2024 was a Monday.
$months = array_map(static fn(int $month): int => (int) gmmktime(0, 0, 0, $month, 15, 2024), range(1, 12));
$days = array_map(static fn(int $day): int => (int) gmmktime(12, 0, 0, 1, $day, 2024), range(1, 7));
foreach (
    [
        'month-names' => [['LLLL', 'MMMM', 'LLL', 'MMM'], $months],
        'weekday-names' => [['cccc', 'EEEE', 'ccc', 'EEE'], $days],
    ] as $file => [$patterns, $moments]
) {
    $names = [];
    foreach ($locales as $locale) {
        foreach ($patterns as $pattern) {
            $written = new IntlDateFormatter(
                $locale,
                IntlDateFormatter::NONE,
                IntlDateFormatter::NONE,
                'UTC',
                IntlDateFormatter::GREGORIAN,
                $pattern,
            );
            foreach ($moments as $n => $moment) {
                $name = rtrim(mb_strtolower((string) $written->format($moment)), '.');
                if (preg_match('/^\p{L}[\p{L}\p{M}’\'.-]+$/u', $name) === 1) {
                    $names[$name] ??= $n + 1;
                }
            }
        }
    }
    ksort($names);
    $lines = '';
    foreach (array_chunk($names, 12, true) as $some) {
        $lines .=
            '    ' .
            implode(
                ' ',
                array_map(
                    static fn(int|string $name, int $n): string => var_export((string) $name, true) . " => {$n},",
                    array_keys($some),
                    $some,
                ),
            ) .
            "\n";
    }
    file_put_contents(
        __DIR__ . "/../core/Time/{$file}.php",
        "<?php\n\ndeclare(strict_types=1);\n\n// Written by bench/make-calendar-names.php from ICU " .
            INTL_ICU_VERSION .
            ', data ' .
            INTL_ICU_DATA_VERSION .
            ".\nreturn [\n{$lines}];\n",
    );
    echo count($names), " {$file}\n";
}
