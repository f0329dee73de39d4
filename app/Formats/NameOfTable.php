<?php

declare(strict_types=1);

namespace App\Formats;

use DuskRail\Reading\Plan;
use DuskRail\Time\Period;
use DuskRail\Time\PeriodReading;
use Illuminate\Support\Str;

/** What the name of a sheet says of its values: `2019` and `Jan 2023` are when, `North` and `Leakage` are not. */
final readonly class NameOfTable
{
    private const GENERIC = '/^(sheet|tabelle|feuil|hoja|foglio|blad|table|data|daten|values?)[ _-]?\d*$/iu';

    private function __construct(public string $name, private ?Period $period) {}

    /**
     * Names without the words that all of them begin or end with: of `leakage_2019` and `leakage_2020`, the years. What
     * is common is no number.
     *
     * @param list<string> $names
     * @return array{array<string, string>, string} the rest by name, and the common words
     */
    public static function toldApart(array $names): array
    {
        $words = array_combine($names, array_map(
            static fn(string $name): array => preg_split('/[\s_.,]+|(?<=\p{L})-|-(?=\p{L})/u', trim($name)) ?: [],
            $names,
        ));
        $lengths = array_count_values(array_map(count(...), $words));
        arsort($lengths);
        // A note beside tables of the same kind has a name of its own.
        $alike = array_filter($words, static fn(array $of): bool => count($of) === array_key_first($lengths));
        $first = reset($alike);
        $isCommon = static fn(int $at): bool => $first !== false && preg_match('/\d/', $first[$at] ?? '0') !== 1 &&
            count(array_unique(array_map(mb_strtolower(...), array_column($alike, $at)))) === 1;
        $length = (int) array_key_first($lengths);
        for ($before = 0; $before < $length && $isCommon($before); $before++);
        for ($after = $length; $after > $before + 1 && $isCommon($after - 1); $after--);
        $short = array_map(
            static fn(array $of): string => implode(' ', array_slice($of, $before, $after - $before)),
            $alike,
        );
        $areTelling = preg_grep(self::GENERIC, $names) === [] && !in_array('', $short, true);
        if (count($alike) < 2 || $before === $length || !$areTelling || count(array_unique($short)) < count($short)) {
            return [array_combine($names, $names), ''];
        }
        $common = Str::ucfirst(implode(' ', array_slice($first ?: [], 0, $before)));

        return [$short + array_combine($names, $names), $common];
    }

    public static function of(string $name): self
    {
        $reading = PeriodReading::detect([trim($name)]);
        $ordinal = $reading?->read(trim($name));

        $period = $reading === null || $ordinal === null ? null : Period::at($reading->frequency, $ordinal);

        return new self(trim($name), $period);
    }

    /** Whether it names something that values are of. */
    public function isTelling(): bool
    {
        return $this->period === null && preg_match(self::GENERIC, $this->name) !== 1;
    }

    /** The plan with the period that the name says, where the table says none. */
    public function saidTo(Plan $plan): Plan
    {
        return match (true) {
            $this->period === null => $plan,
            $plan->shape === 'moment' && $plan->stated->moment === '' => $plan->with([
                'moment' => $this->period->code(),
            ]),
            $plan->periods->notation->isInYear() && $plan->periods->year === null => $plan->with([
                'year' => (string) $this->period->yearNumber(),
            ]),
            default => $plan,
        };
    }
}
