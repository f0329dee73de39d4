<?php

declare(strict_types=1);

namespace DuskRail\Words;

use DuskRail\Outcome\SparkRow;
use DuskRail\Outcome\SparkTable;

/** The columns of the Sparks view that are there only where there is something to say in them. */
final class SparkColumns
{
    /** @return list<string> heads */
    public static function heads(SparkTable $table): array
    {
        $contributed = $table->contributions?->contributed;

        return [
            ...$table->hasProspects() ? ['Target'] : [],
            ...$contributed === null ? [] : ['Contribution'],
            ...$contributed?->hasShares === true ? ['Of the ' . ContributionWords::change($contributed)] : [],
        ];
    }

    /** @return list<string> what a row has in them */
    public static function texts(SparkTable $table, SparkRow $row): array
    {
        $contributed = $table->contributions?->contributed;
        $change = $table->contributions?->change($row) ?? NAN;

        return [
            ...$table->hasProspects() ? [$table->prospect($row)] : [],
            ...$contributed === null ? [] : [is_nan($change) ? '–' : $contributed->precision->signed($change)],
            ...$contributed?->hasShares === true ? [ContributionWords::percent($contributed->share($change))] : [],
        ];
    }

    /** @return list<string|float> the same in full precision */
    public static function values(SparkTable $table, SparkRow $row): array
    {
        $contributed = $table->contributions?->contributed;
        $change = $table->contributions?->change($row) ?? NAN;

        return [
            ...$table->hasProspects() ? [$table->prospect($row)] : [],
            ...$contributed === null ? [] : [$change],
            ...$contributed?->hasShares === true ? [$contributed->share($change)] : [],
        ];
    }

    /**
     * What all rows come to together, with its change; null where that is not asked for.
     *
     * @return array{string, list<string>}|null what it is called, and what it has in these columns
     */
    public static function together(SparkTable $table): ?array
    {
        $contributed = $table->contributions?->contributed;
        if ($contributed === null) {
            return null;
        }

        return [
            'Together (' . ContributionWords::whole($contributed) . ')',
            [
                ...$table->hasProspects() ? [''] : [],
                $contributed->precision->signed($contributed->change()),
                ...$contributed->hasShares ? ['100 %'] : [],
            ],
        ];
    }

    /**
     * What is said below the table.
     *
     * @return list<string>
     */
    public static function notes(SparkTable $table): array
    {
        $contributions = $table->contributions;
        $contributed = $contributions?->contributed;

        return match (true) {
            $contributions === null => [],
            $contributed === null => ["No contributions are shown. {$contributions->refusal}"],
            default => [
                'Contributions to the change of the ' .
                    ContributionWords::whole($contributed) .
                    ', ' .
                    ContributionWords::span($contributed) .
                    '.',
                ...ContributionWords::notes($contributed),
            ],
        };
    }
}
