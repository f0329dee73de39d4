<?php

declare(strict_types=1);

namespace App\Formats;

use DuskRail\Reading\Plan;
use DuskRail\Time\Period;
use DuskRail\Time\PeriodReading;

/** What the name of a sheet says of its values: `2019` and `Jan 2023` are when, `North` and `Leakage` are not. */
final readonly class NameOfTable
{
    private const GENERIC = '/^(sheet|tabelle|feuil|hoja|foglio|blad|table|data|daten|values?)[ _-]?\d*$/iu';

    private function __construct(public string $name, private ?Period $period) {}

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
