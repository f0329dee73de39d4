<?php

declare(strict_types=1);

namespace DuskRail\Document\Parts;

use DuskRail\Data\Breakdown;
use DuskRail\Data\Cell;
use DuskRail\Data\DataSlice;
use DuskRail\Data\DataSource;
use DuskRail\Settings\Kinds\ByKey;
use DuskRail\Settings\ReadsSettings;

/** Which values are compared where they are broken down: by sex, by age, by cause. */
final readonly class BreakdownsPart implements Part
{
    use ReadsSettings;

    /** @param array<string, BreakdownView> $by key of the breakdown */
    public function __construct(#[ByKey('breakdowns', BreakdownView::class, 'breakdown')] public array $by = []) {}

    public static function name(): string
    {
        return 'breakdowns';
    }

    public static function title(): string
    {
        return 'Breakdowns';
    }

    public function of(string $breakdown): BreakdownView
    {
        return $this->by[$breakdown] ?? new BreakdownView();
    }

    /** Key of the breakdown whose categories are the lines, or the panels; nothing for none. */
    public function shownAs(string $show): string
    {
        foreach ($this->by as $key => $view) {
            if ($view->show === $show) {
                return (string) $key;
            }
        }

        return '';
    }

    /**
     * Data as these settings show them.
     *
     * @param string $of key of the entity whose categories are the lines
     */
    public function slice(DataSource $data, string $of): DataSource
    {
        $whole = DataSlice::whole($data);
        $breakdowns = $whole->breakdowns();
        if ($breakdowns === []) {
            return $whole;
        }
        $held = $summed = [];
        $as = ['lines' => '', 'panels' => ''];
        foreach ($breakdowns as $key => $breakdown) {
            $view = $this->of($key);
            if ($view->show === 'sum') {
                $summed[] = $key;
            } elseif ($view->show === 'one' || $as[$view->show] !== '') {
                $held[$key] = $this->held($breakdown);
            } else {
                $as[$view->show] = $key;
            }
        }
        if ($as['lines'] !== '' && $as['panels'] !== '') {
            $held[$as['panels']] = $this->held($breakdowns[$as['panels']]);
            $as['panels'] = '';
        }
        $sliced = new DataSlice($whole, Cell::of($held), $summed, $as['lines'], $of, $as['panels']);

        return $data instanceof DataSlice && $data->isLike($sliced) ? $data : $sliced;
    }

    /** Key of the category that a breakdown is held to. */
    public function held(Breakdown $breakdown): string
    {
        $category = $this->of($breakdown->key)->category;

        return isset($breakdown->categories[$category]) ? $category : $breakdown->default();
    }

    /**
     * What is held to and added up, in words: `women, 65 and over`.
     *
     * @param array<string, Breakdown> $breakdowns
     * @param list<string> $splitting keys of those that the measure is split by
     * @param bool $isWeighted whether all together are a weighted mean and no sum
     */
    public function inWords(array $breakdowns, array $splitting, bool $isWeighted = false): string
    {
        $words = [];
        foreach ($breakdowns as $key => $breakdown) {
            if (!in_array($key, $splitting, true)) {
                continue;
            }
            $words[] = match ($this->of($key)->show) {
                'sum' => $isWeighted ? "{$breakdown->name}: all, weighted" : "{$breakdown->name} added up",
                'lines', 'panels' => "by {$breakdown->name}",
                default => "{$breakdown->name}: {$breakdown->nameOf($this->held($breakdown))}",
            };
        }

        return implode(', ', $words);
    }
}
