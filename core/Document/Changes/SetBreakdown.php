<?php

declare(strict_types=1);

namespace DuskRail\Document\Changes;

use DuskRail\Data\Breakdown;
use DuskRail\Data\DataSlice;
use DuskRail\Data\DataSource;
use DuskRail\Document\InvalidStudy;
use DuskRail\Document\Parts\BreakdownsPart;
use DuskRail\Document\Parts\BreakdownView;
use DuskRail\Document\Parts\LinesPart;
use DuskRail\Document\Parts\PanelsPart;
use DuskRail\Document\Parts\RulePart;
use DuskRail\Document\Study;

/** Says what is done with a breakdown: held to a category, added up, its categories as lines or as panels. */
final readonly class SetBreakdown implements Change
{
    private function __construct(private string $breakdown, private string $choice) {}

    public static function name(): string
    {
        return 'breakdown';
    }

    public static function from(array $input): self
    {
        $read = new Input($input);

        return new self($read->text('breakdown'), $read->text('choice'));
    }

    public function apply(Study $study, DataSource $data): Study
    {
        $whole = DataSlice::whole($data);
        $breakdown =
            $whole->breakdowns()[$this->breakdown] ??
            throw InvalidStudy::because("The data set has no breakdown “{$this->breakdown}”.");
        [$show, $category] = str_starts_with($this->choice, 'one:')
            ? ['one', substr($this->choice, 4)]
            : [$this->choice, ''];
        if (
            !in_array($show, ['one', 'sum', 'lines', 'panels'], true) ||
            ($show === 'one' && $category !== '' && !isset($breakdown->categories[$category]))
        ) {
            throw InvalidStudy::because("{$breakdown->name} has no “{$this->choice}”. Choose from its categories.");
        }
        $measure = $whole->measures()[$study->measure] ?? null;
        $refusal = $show === 'sum' && $measure !== null ? DataSlice::whyApart($whole, $measure, $breakdown) : null;
        if ($refusal !== null) {
            throw InvalidStudy::because($refusal);
        }
        $part = $study->part(BreakdownsPart::class);
        $by = $part->by;
        foreach ($by as $key => $view) {
            // Only one breakdown can be the lines or the panels.
            if (in_array($show, ['lines', 'panels'], true) && in_array($view->show, ['lines', 'panels'], true)) {
                unset($by[$key]);
            }
        }
        $by[$this->breakdown] = new BreakdownView($show, $category);
        $changed = $study->withPart(BreakdownsPart::from(['by' => $by]));

        return $this->focused($changed, $study, $whole, $breakdown);
    }

    /** With those lines in focus that stand for whoever was: an entity, its categories, or it in each panel. */
    private function focused(Study $changed, Study $before, DataSource $whole, Breakdown $breakdown): Study
    {
        $as = static fn(Study $study): string => match (true) {
            $study->part(BreakdownsPart::class)->shownAs('lines') !== '' => 'lines',
            $study->part(BreakdownsPart::class)->shownAs('panels') !== '' => 'panels',
            default => 'one',
        };
        [$from, $to] = [$as($before), $as($changed)];
        if ($from === $to && $to === 'one') {
            return $changed;
        }
        $of = $before->subjectIn($whole);
        $lines = $changed->part(LinesPart::class);
        $panels = $changed->part(PanelsPart::class);
        $changed = $changed
            ->withPart(new RulePart())
            ->withPart($lines->with(['of' => $to === 'lines' ? $of : ($from === 'lines' ? '' : $lines->of)]))
            ->withPart(
                match (true) {
                    $to === 'panels' => $panels->with(['by' => 'group']),
                    $from === 'panels' && $panels->by === 'group' => $panels->with(['by' => 'none']),
                    default => $panels,
                },
            );
        $measures = array_filter(
            $changed->focus,
            static fn(string $line): bool => Study::dimension($line) !== 'e',
            ARRAY_FILTER_USE_KEY,
        );
        $focus = match ($to) {
            'lines' => ["c:{$breakdown->default()}" => 1],
            'panels' => array_fill_keys(
                array_slice(
                    array_map(
                        static fn(int|string $category): string => "{$of}:{$category}",
                        array_keys($breakdown->parts()),
                    ),
                    0,
                    Study::MOST_FOCUS,
                ),
                1,
            ),
            default => [$of => 1],
        };

        return $changed->withFocus([...$focus, ...$measures])->withOff([]);
    }

    public function inWords(Study $before, Study $after, DataSource $data): string
    {
        $breakdown = DataSlice::whole($data)->breakdowns()[$this->breakdown] ?? null;
        $name = $breakdown->name ?? $this->breakdown;

        return match (true) {
            $this->choice === 'sum' => "Sum {$name}",
            $this->choice === 'lines' => "One line per {$name}",
            $this->choice === 'panels' => "One panel per {$name}",
            default => "{$name}: " . ($breakdown?->nameOf(substr($this->choice, 4)) ?? ''),
        };
    }
}
