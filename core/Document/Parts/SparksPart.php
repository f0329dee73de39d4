<?php

declare(strict_types=1);

namespace DuskRail\Document\Parts;

use DuskRail\Settings\Kinds\Choice;
use DuskRail\Settings\Kinds\Flag;
use DuskRail\Settings\Kinds\Several;
use DuskRail\Settings\Kinds\Words;
use DuskRail\Settings\ReadsSettings;

/** What is in the rows of the Sparks view. */
final readonly class SparksPart implements Part
{
    use ReadsSettings;

    /**
     * @param 'line'|'columns'|'signs' $form tiny line, columns, or only up and down about zero
     * @param 'own'|'common' $scale
     * @param list<string> $points which points are marked
     * @param bool $grouped by group, with what each comes to
     * @param 'name'|'latest'|'change'|'growth'|'rank'|'trend' $sort
     * @param bool $downward the highest first
     * @param array<string, 'line'|'columns'|'signs'> $forms of single rows by line, and of whole groups by `g:` and the
     *     group
     */
    public function __construct(
        #[Choice('form', ['line' => 'line', 'columns' => 'columns', 'signs' => 'up/down'], lead: 'form')]
        public string $form = 'line',
        #[Choice('scale', ['own' => 'separate', 'common' => 'shared'], lead: 'scale')] public string $scale = 'own',
        #[Several(
            'marked points',
            [
                'highest' => 'highest',
                'lowest' => 'lowest',
                'first' => 'first',
                'last' => 'last',
                'negative' => 'negative',
                'all' => 'all',
            ],
            unknown: 'the points that can be marked are',
            lead: 'marked points',
        )]
        public array $points = ['highest', 'lowest', 'last'],
        #[Flag('rows', 'by group, with totals', 'one list')] public bool $grouped = true,
        #[Flag('contributions to the change', 'shown', 'hidden')] public bool $contributions = false,
        #[Choice(
            'sorted column',
            [
                'name' => 'name',
                'latest' => 'latest',
                'change' => 'change',
                'growth' => 'growth',
                'rank' => 'rank',
                'trend' => 'trend',
            ],
            shown: false,
        )]
        public string $sort = 'name',
        #[Flag('order', 'highest first', 'lowest first', shown: false)] public bool $downward = false,
        #[Words('forms of single rows', ['line', 'columns', 'signs'], 'a row can be a line, columns or signs.')]
        public array $forms = [],
    ) {}

    public static function name(): string
    {
        return 'sparks';
    }

    public static function title(): string
    {
        return 'Sparks';
    }

    /**
     * How a row is drawn: as was said for it, or for its group, or for all.
     *
     * @return 'line'|'columns'|'signs'
     */
    public function formOf(string $line, string $group): string
    {
        return $this->forms[$line] ?? ($this->forms["g:{$group}"] ?? $this->form);
    }
}
