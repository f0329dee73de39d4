<?php

declare(strict_types=1);

namespace DuskRail\Views;

use DuskRail\Chart\MiniatureComposer;
use DuskRail\Chart\PanelsComposer;
use DuskRail\Chart\PlotArea;
use DuskRail\Chart\Scene;
use DuskRail\Chart\TextMeasure;
use DuskRail\Data\DataSource;
use DuskRail\Document\Changes\RailChange;
use DuskRail\Document\Parts\BreakdownsPart;
use DuskRail\Document\Parts\LinesPart;
use DuskRail\Document\Parts\PanelsPart;
use DuskRail\Document\Parts\Part;
use DuskRail\Document\Parts\TextPart;
use DuskRail\Document\Study;
use DuskRail\Document\ViewKind;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Facet;
use DuskRail\Outcome\Lineup;
use DuskRail\Outcome\ValueTable;
use DuskRail\Refusal;
use DuskRail\Words\AxisName;
use DuskRail\Words\Headline;
use DuskRail\Words\Readout;
use DuskRail\Words\Wording;

/**
 * One way to look at a study: which lines it shows, how they are drawn and worded, which settings and tools it has.
 * What most views do is done here, for the lines of its lineup; a view says what it does otherwise.
 *
 * To add one: write a class in this room, and name it in Views.
 */
abstract readonly class View implements ViewKind
{
    /**
     * The picture when it is not split.
     *
     * @throws Refusal when the data cannot be looked at this way
     */
    abstract protected function whole(Comparison $comparison, TextMeasure $measure, float $width, float $height): Scene;

    /**
     * Whether it has settings in a part.
     *
     * @param class-string<Part> $part
     */
    public function uses(string $part): bool
    {
        return in_array($part, $this->parts(), true);
    }

    /** What it shows, for tool tips and the help page; nothing for a view whose name says it. */
    public function about(): string
    {
        return '';
    }

    /** Whether it shows peers, so that their line, band, group and target can be chosen. */
    public function hasPeers(): bool
    {
        return false;
    }

    public function defaultSplit(): ?string
    {
        return null;
    }

    public function isSplit(Study $study): bool
    {
        return $this->defaultSplit() !== null && $study->part(PanelsPart::class)->by !== 'none';
    }

    public function dimension(Study $study): string
    {
        return $study->part(LinesPart::class)->across === 'measures' ? 'm' : 'e';
    }

    public function showsRange(): bool
    {
        return true;
    }

    public function changed(RailChange $change, Study $study, DataSource $data): Study
    {
        return $change->apply($study, $data);
    }

    /**
     * What the pointer can do on its picture, beside reading it: `limits` (pull the ends of the vertical axis), `base`
     * (set the base at a point), `layers` (move a layer up and down), `labels` (pull labels).
     *
     * @return list<string>
     */
    public function tools(): array
    {
        return [];
    }

    /** Whether values are measured upwards along lines, which the pointer then reads. */
    public function readsAlongLines(): bool
    {
        return false;
    }

    /** Whether the screen shows it as a picture, and not as a table of its own. */
    public function isPicture(): bool
    {
        return true;
    }

    /** Whether it needs the whole width of a page. */
    public function isWide(Study $study): bool
    {
        return $this->isSplit($study);
    }

    /**
     * The lines that it shows.
     *
     * @throws Refusal
     */
    public function lineup(Comparison $comparison): Lineup
    {
        return Lineup::of($comparison);
    }

    /**
     * What it shows as a table, to hand over.
     *
     * @throws Refusal
     */
    public function values(Comparison $comparison): ValueTable
    {
        return ValueTable::ofLines($this->lineup($comparison));
    }

    /**
     * What it makes of a comparison beside its lines, for a screen that shows it in a way of its own.
     *
     * @throws Refusal
     */
    public function outcome(Comparison $comparison): ?object
    {
        return null;
    }

    /** The comparison whose rail is shown. */
    public function railed(Comparison $comparison): Comparison
    {
        return $comparison;
    }

    /**
     * The panels that its picture is split into.
     *
     * @return list<Facet>
     *
     * @throws Refusal
     */
    public function facets(Comparison $comparison): array
    {
        return [];
    }

    /**
     * Rows of panels.
     *
     * @return list<Scene>
     *
     * @throws Refusal
     */
    protected function rows(Comparison $comparison, TextMeasure $measure, float $width, float $height): array
    {
        return [];
    }

    /** What the program writes above it until the user does. */
    protected function headline(Comparison $comparison): string
    {
        return Headline::ofLines($this->lineup($comparison));
    }

    protected function subtitle(Comparison $comparison): string
    {
        $unit = $this->lineup($comparison)->unit;

        return AxisName::of($comparison, $unit == $comparison->run->table()->unit ? '' : $unit->text());
    }

    /**
     * What a point of a line says.
     *
     * @return array{name: string, points: array<int, array{string, string, string}>}|null null where there is no such
     *     line
     *
     * @throws Refusal
     */
    public function readout(Comparison $comparison, string $line): ?array
    {
        $lineup = $this->lineup($comparison);
        $found = $lineup->line($line);

        return $found === null ? null : Readout::along($lineup, $found);
    }

    /**
     * How what it makes of a line was calculated, beside the working of the line's own value.
     *
     * @return list<string>
     *
     * @throws Refusal
     */
    public function working(Comparison $comparison, string $line): array
    {
        return [];
    }

    /**
     * What the points of all lines say, for a page that asks nobody.
     *
     * @return array<string, array{name: string, points: array<int, array{string, string, string}>}> by line
     *
     * @throws Refusal
     */
    public function readouts(Comparison $comparison): array
    {
        return Readout::ofAll($this->lineup($comparison));
    }

    /**
     * Where time runs along what is shown, so that the track lines up with it; null where it does not.
     *
     * @param Scene|null $picture that is shown
     * @param array{float, float} $size width and height of the place for it
     */
    public function time(Comparison $comparison, ?Scene $picture, TextMeasure $measure, array $size): ?PlotArea
    {
        return null;
    }

    /**
     * The whole picture, split or not.
     *
     * @param float $width in pixels of the page, as the height is; the picture itself is drawn for less room where
     *     its words are large
     * @param float $height of panels and rows, which are as high as they are many, only the least
     *
     * @throws Refusal when the data cannot be looked at this way
     */
    final public function picture(Comparison $comparison, TextMeasure $measure, float $width, float $height): Scene
    {
        $zoom = $comparison->study->part(TextPart::class)->zoom();
        $scene = $this->isSplit($comparison->study)
            ? PanelsComposer::sheet(
                $comparison,
                $this->rows($comparison, $measure, $width / $zoom, $height / $zoom),
                $width / $zoom,
            )
            : $this->whole($comparison, $measure, $width / $zoom, $height / $zoom);

        return $scene->zoomed($zoom);
    }

    /**
     * The picture as small as a card, without axes.
     *
     * @throws Refusal
     */
    public function miniature(Comparison $comparison, TextMeasure $measure, float $width, float $height): Scene
    {
        $composer = new MiniatureComposer($measure);
        $facets = $this->isSplit($comparison->study) ? $this->facets($comparison) : [];

        return $facets === []
            ? $composer->lines($this->lineup($comparison), $width, $height)
            : $composer->panels($facets, $width, $height);
    }

    /**
     * The picture on as many pages as it needs, where pages are of one height.
     *
     * @return non-empty-list<Scene>
     *
     * @throws Refusal
     */
    final public function pages(Comparison $comparison, TextMeasure $measure, float $width, float $height): array
    {
        $zoom = $comparison->study->part(TextPart::class)->zoom();

        return array_map(
            static fn(Scene $page): Scene => $page->zoomed($zoom),
            $this->pagesOf($comparison, $measure, $width / $zoom, $height / $zoom),
        );
    }

    /**
     * Pages before their words are enlarged: rows of panels go on the next where they do not fit, a picture is one.
     *
     * @return non-empty-list<Scene>
     *
     * @throws Refusal
     */
    protected function pagesOf(Comparison $comparison, TextMeasure $measure, float $width, float $height): array
    {
        if (!$this->isSplit($comparison->study)) {
            return [$this->whole($comparison, $measure, $width, $height)];
        }
        $pages = [[]];
        $used = 0.0;
        foreach ($this->rows($comparison, $measure, $width, 0.0) as $row) {
            if ($used > 0.0 && $used + $row->height > $height) {
                $pages[] = [];
                $used = 0.0;
            }
            $pages[count($pages) - 1][] = $row;
            $used += $row->height;
        }

        return array_map(static fn(array $rows): Scene => PanelsComposer::sheet($comparison, $rows, $width), $pages);
    }

    /**
     * The picture row by row, where it is split.
     *
     * @param float $height that one or two rows may fill; 0 where they are as high as they are wide
     * @return list<Scene>
     *
     * @throws Refusal
     */
    final public function panels(Comparison $comparison, TextMeasure $measure, float $width, float $height = 0.0): array
    {
        $zoom = $comparison->study->part(TextPart::class)->zoom();

        return array_map(
            static fn(Scene $row): Scene => $row->zoomed($zoom),
            $this->rows($comparison, $measure, $width / $zoom, $height / $zoom),
        );
    }

    /** @param string $source the line under the picture, unless the study has one of its own */
    final public function wording(Comparison $comparison, string $source): Wording
    {
        try {
            $headline = $this->headline($comparison);
            $subtitle = $this->subtitle($comparison);
        } catch (Refusal) {
            // The view says itself why it cannot be.
            [$headline, $subtitle] = [Headline::ofLines(Lineup::of($comparison)), AxisName::of($comparison)];
        }

        return Wording::of($comparison, self::ofWhom($comparison) . $headline, $subtitle, $source);
    }

    /** Whom the data are of, where they are of a part: `Female, 65+ – `. */
    private static function ofWhom(Comparison $comparison): string
    {
        $part = $comparison->study->part(BreakdownsPart::class);
        $splitting = $comparison->data->splitBy($comparison->study->measure);
        $entity = $comparison->brokenDown();
        $of = $entity === null ? [] : [$entity->name];
        foreach ($comparison->data->breakdowns() as $key => $breakdown) {
            $held = $part->held($breakdown);
            if (in_array($key, $splitting, true) && $part->of($key)->show === 'one' && $held !== $breakdown->total) {
                $of[] = $breakdown->nameOf($held);
            }
        }

        return $of === [] ? '' : implode(', ', $of) . ' – ';
    }
}
