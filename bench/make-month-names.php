<?php

declare(strict_types=1);

/**
 * Writes core/Time/month-names.php: the names of months, full and short, in the languages of this machine's ICU,
 * each with
 * its number. Where two languages mean different months by one name, the earlier of them has it.
 *
 *     php bench/make-month-names.php
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
$names = [];
/** @var list<string> $locales */
$locales = array_values(array_unique(array_map(strval(...), [...$first, ...array_filter($all, is_string(...))])));
foreach ($locales as $locale) {
    foreach (['LLLL', 'MMMM', 'LLL', 'MMM'] as $pattern) {
        $written = new IntlDateFormatter(
            $locale,
            IntlDateFormatter::NONE,
            IntlDateFormatter::NONE,
            'UTC',
            IntlDateFormatter::GREGORIAN,
            $pattern,
        );
        for ($month = 1; $month <= 12; $month++) {
            $name = rtrim(mb_strtolower((string) $written->format((int) gmmktime(0, 0, 0, $month, 15, 2024))), '.');
            if (preg_match('/^\p{L}[\p{L}\p{M}’\'.-]+$/u', $name) === 1) {
                $names[$name] ??= $month;
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
                static fn(int|string $name, int $month): string => var_export((string) $name, true) . " => {$month},",
                array_keys($some),
                $some,
            ),
        ) .
        "\n";
}
file_put_contents(
    __DIR__ . '/../core/Time/month-names.php',
    "<?php\n\ndeclare(strict_types=1);\n\n// Written by bench/make-month-names.php from ICU " .
        INTL_ICU_VERSION .
        ', data ' .
        INTL_ICU_DATA_VERSION .
        ".\nreturn [\n{$lines}];\n",
);
echo count($names), " names\n";
