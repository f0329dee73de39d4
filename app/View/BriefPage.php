<?php

declare(strict_types=1);

namespace App\View;

use App\Models\Brief;
use App\Models\BriefBlock;
use App\Models\Study;
use DuskRail\Chart\TextMeasure;
use DuskRail\Document\LineState;
use DuskRail\Document\Study as StudyOfCore;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\ReaderChoices;
use DuskRail\Refusal;
use DuskRail\Views\Views;

/** A brief as it is read: each study drawn again on the latest values, and whom one can look for in all of them. */
final readonly class BriefPage
{
    /**
     * @param list<BriefPart> $parts
     * @param array<string, array<array-key, string>> $offered what the reader can set, by control: label by value
     * @param array<string, string> $entities name by key of all that are on any of the pictures, in the order of their
     *     names
     */
    private function __construct(
        public Brief $brief,
        public array $parts,
        public array $entities,
        public string $cover,
        public array $offered,
        public ReaderChoices $choices,
    ) {}

    /**
     * @param array<string, int>|null $focus hue by line, where other entities than the studies' own are to be in focus
     */
    public static function of(
        Brief $brief,
        TextMeasure $measure,
        ?ReaderChoices $choices = null,
        ?array $focus = null,
    ): self {
        $choices ??= ReaderChoices::none();
        $parts = $entities = $sources = $offered = [];
        foreach ($brief->blocks()->with('study.dataset')->get() as $block) {
            $study = $block->study;
            if ($study === null) {
                // The place of a study that is in the bin is kept for it.
                $parts = $block->study_id === null ? [...$parts, new BriefPart($block)] : $parts;
                continue;
            }
            $document = $block->document() ?? $study->document();
            $comparison = Comparison::of($focus === null ? $document : $document->about($focus), $study->data());
            foreach (ReaderChoices::offered($comparison, $brief->controls ?? []) as $control => $labels) {
                $offered[$control] = ['' => 'as drawn'] + ($offered[$control] ?? []) + $labels;
            }
            $parts[] = $part = self::drawn($block, $study, self::chosen($comparison, $choices, $study), $measure);
            $entities += self::entities($part);
            $sources[$study->dataset->id] = self::source($study);
        }
        natcasesort($entities);
        $sorted = [];
        foreach ($offered as $control => $labels) {
            ksort($labels, SORT_NATURAL);
            $sorted[$control] = $labels;
        }

        return new self($brief, $parts, $entities, implode('; ', $sources), $sorted, $choices);
    }

    private static function chosen(Comparison $comparison, ReaderChoices $choices, Study $study): Comparison
    {
        try {
            return $choices->isNone() ? $comparison : Comparison::of($choices->appliedTo($comparison), $study->data());
        } catch (Refusal) {
            // What is not possible of one study leaves it as it is.
            return $comparison;
        }
    }

    private static function drawn(
        BriefBlock $block,
        Study $study,
        Comparison $comparison,
        TextMeasure $measure,
    ): BriefPart {
        $view = Views::of($comparison->study);
        $wide = $view->isWide($comparison->study);
        $wording = $view->wording($comparison, $study->sourceLine());
        try {
            $picture = $view->picture($comparison, $measure, $wide ? 1010.0 : 490.0, $wide ? 420.0 : 320.0);
        } catch (Refusal $problem) {
            return new BriefPart($block, $comparison, $wording, null, $wide, $problem->getMessage());
        }

        return new BriefPart($block, $comparison, $wording, $picture, $wide);
    }

    /** @return array<string, string> name by key */
    private static function entities(BriefPart $part): array
    {
        $entities = [];
        foreach ($part->comparison->lines ?? [] as $line) {
            if ($line->state !== LineState::Off && StudyOfCore::dimension($line->key) === 'e' && !$line->isGroup()) {
                $entities[$line->key] = $line->name;
            }
        }

        return $entities;
    }

    private static function source(Study $study): string
    {
        $data = $study->data();
        $dataset = $data->described();

        return "{$dataset->name}, version {$data->version}" . ($dataset->source === '' ? '' : " ({$dataset->source})");
    }
}
