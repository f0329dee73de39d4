<?php

declare(strict_types=1);

namespace App\View;

use App\Models\Brief;
use App\Models\BriefBlock;
use App\Models\Study;
use DomainException;
use DuskRail\Chart\PictureComposer;
use DuskRail\Chart\Scene;
use DuskRail\Chart\TextMeasure;
use DuskRail\Study\Comparison;
use DuskRail\Study\LineState;
use DuskRail\Study\ReaderChoices;
use DuskRail\Study\Study as StudyOfCore;
use DuskRail\Study\Wording;

/** A brief as it is read: each study drawn anew on the newest figures, and whom one can look for in all of them. */
final readonly class BriefPage
{
    /**
     * @param list<array{block: BriefBlock, text: string, wording: Wording|null, comparison: Comparison|null, picture: Scene|null, wide: bool, problem: string}> $blocks
     * @param array<string, array<array-key, string>> $offered what the reader can set, by control: label by value
     * @param array<string, string> $entities name by key of all that are on any of the pictures, in the order of their names
     */
    private function __construct(public Brief $brief, public array $blocks, public array $entities, public string $cover, public array $offered, public ReaderChoices $choices) {}

    /** @param array<string, int>|null $focus hue by line, where other entities than the studies' own are to be in focus */
    public static function of(Brief $brief, TextMeasure $measure, ?ReaderChoices $choices = null, ?array $focus = null): self
    {
        $choices ??= ReaderChoices::none();
        $blocks = $entities = $sources = $offered = [];
        foreach ($brief->blocks()->with('study.dataset')->get() as $block) {
            $one = ['block' => $block, 'text' => (string) $block->text, 'wording' => null, 'comparison' => null, 'picture' => null, 'wide' => true, 'problem' => ''];
            $study = $block->study;
            if ($study !== null) {
                $document = $study->document();
                $comparison = Comparison::of($focus === null ? $document : $document->about($focus), $study->data());
                foreach (ReaderChoices::offered($comparison, $brief->controls ?? []) as $control => $labels) {
                    $offered[$control] = ['' => 'as drawn'] + ($offered[$control] ?? []) + $labels;
                }
                if (! $choices->isNone()) {
                    try {
                        $comparison = Comparison::of($choices->appliedTo($comparison), $study->data());
                    } catch (DomainException) {
                        // What makes no sense of one study leaves it as it is.
                    }
                }
                $document = $comparison->study;
                // What is many pictures or rows takes the whole width.
                $one['wide'] = $document->isSplit() || in_array($document->view->value, ['sparks', 'scatter', 'figures'], true);
                $one['comparison'] = $comparison;
                $one['wording'] = Wording::of($comparison, $study->sourceLine());
                try {
                    $one['picture'] = (new PictureComposer($measure))->compose($comparison, $one['wide'] ? 1010.0 : 490.0, $one['wide'] ? 420.0 : 320.0);
                } catch (DomainException $problem) {
                    $one['problem'] = $problem->getMessage();
                }
                foreach ($comparison->lines as $line) {
                    if ($line->state !== LineState::Off && StudyOfCore::dimension($line->key) === 'e' && ! $line->isGroup()) {
                        $entities[$line->key] = $line->name;
                    }
                }
                $sources[$study->dataset->id] = self::source($study);
            }
            $blocks[] = $one;
        }
        natcasesort($entities);

        foreach ($offered as &$labels) {
            ksort($labels, SORT_NATURAL);
        }

        return new self($brief, $blocks, $entities, implode('; ', $sources), $offered, $choices);
    }

    private static function source(Study $study): string
    {
        return "{$study->dataset->name}, version {$study->dataset->version}".($study->dataset->source === '' ? '' : " ({$study->dataset->source})");
    }
}
