<?php

declare(strict_types=1);

namespace App\View;

use App\Drawing\Svg;
use App\Models\CacheEntry;
use App\Models\HouseStyle;
use App\Models\Study;
use DuskRail\Chart\TextMeasure;
use DuskRail\Outcome\Comparison;
use DuskRail\Refusal;
use DuskRail\Signals\Signals;
use DuskRail\Views\Views;
use DuskRail\Words\Wording;
use Illuminate\Database\Eloquent\Collection;

/**
 * A study as the first page shows it: its headline, a small picture, the latest period and how many signals it has.
 *
 * It is kept, and made again when the study has another revision, its data another version or other names, or the
 * program another version.
 */
final readonly class StudyCard
{
    private const KIND = 'study';

    private const SIZE = [290.0, 146.0];

    /**
     * @param list<array{text: string, ink: string, bold: bool}> $headline in the colours of its lines
     * @param string $picture SVG; nothing where there is none
     * @param string $latest the period that it speaks of
     */
    private function __construct(
        public array $headline,
        public string $picture,
        public string $latest,
        public int $signals,
    ) {}

    /**
     * Those that are kept and still true, by id of the study.
     *
     * @param Collection<int, Study> $studies with their data sets
     * @return array<int, self>
     */
    public static function kept(Collection $studies): array
    {
        $cards = [];
        $madeOf = $studies->mapWithKeys(static fn(Study $s): array => [$s->id => self::madeOf($s)]);
        foreach (CacheEntry::where('kind', self::KIND)->whereIn('of', $studies->modelKeys())->get() as $card) {
            if ($card->made_of === $madeOf[$card->of]) {
                $cards[$card->of] = self::read($card->content);
            }
        }

        return $cards;
    }

    /** Made, and kept. */
    public static function of(Study $study): self
    {
        $card = self::made($study);
        CacheEntry::keep(self::KIND, $study->id, self::madeOf($study), [
            'headline' => $card->headline,
            'picture' => $card->picture,
            'latest' => $card->latest,
            'signals' => $card->signals,
        ]);

        return $card;
    }

    private static function made(Study $study): self
    {
        try {
            $comparison = Comparison::of($study->document(), $study->data());
        } catch (Refusal $problem) {
            return new self([['text' => $problem->getMessage(), 'ink' => '', 'bold' => false]], '', '', 0);
        }
        $view = Views::of($comparison->study);
        $picture = '';
        try {
            if ($comparison->axis->count > 0 && $comparison->present() !== []) {
                $scene = $view->miniature($comparison, app(TextMeasure::class), ...self::SIZE);
                $picture = Svg::forScreen(
                    $scene,
                    ['role' => 'img', 'aria-label' => $scene->title, 'preserveAspectRatio' => 'xMidYMid meet'],
                    "card-{$study->id}-",
                );
            }
        } catch (Refusal) {
            // The study itself says why there is none.
        }
        $at = $comparison->reference;

        return new self(
            Wording::coloured($view->wording($comparison, '')->marked, $comparison),
            $picture,
            $at >= 0 && $at < $comparison->axis->count ? $comparison->axis->period($at)->short() : '',
            count(Signals::of($comparison)),
        );
    }

    /** @param array<string, mixed> $content as it was kept */
    private static function read(array $content): self
    {
        $headline = [];
        foreach (is_array($content['headline'] ?? null) ? $content['headline'] : [] as $run) {
            $text = static fn(string $key): string => is_array($run) && is_string($run[$key] ?? null) ? $run[$key] : '';
            $headline[] = [
                'text' => $text('text'),
                'ink' => $text('ink'),
                'bold' => is_array($run) && ($run['bold'] ?? false) === true,
            ];
        }
        $text = static fn(string $key): string => is_string($content[$key] ?? null) ? $content[$key] : '';

        return new self(
            $headline,
            $text('picture'),
            $text('latest'),
            is_int($content['signals'] ?? null) ? $content['signals'] : 0,
        );
    }

    private static function madeOf(Study $study): string
    {
        return implode('/', [
            $study->revision_id,
            $study->version ?? $study->dataset->version,
            $study->described ?? $study->dataset->described,
            config()->string('duskrail.version'),
            HouseStyle::current()->asSettings()->locale,
        ]);
    }
}
