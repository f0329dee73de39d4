<?php

declare(strict_types=1);

namespace Tests\Core;

use App\Drawing\Svg;
use DuskRail\Chart\Palette;
use DuskRail\Chart\SheetComposer;
use DuskRail\Chart\TrackComposer;
use DuskRail\Data\DataInMemory;
use DuskRail\Data\Entity;
use DuskRail\Data\MeasureKind;
use DuskRail\Document\Changes\Changes;
use DuskRail\Document\Study;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Edit;
use DuskRail\Outcome\OtherOrder;
use DuskRail\Outcome\PeerComparison;
use DuskRail\Proposals\Proposals;
use DuskRail\Rail\StopCatalogue;
use DuskRail\Rail\Working;
use DuskRail\Signals\Signals;
use DuskRail\Views\Views;
use DuskRail\Words\Readout;
use DuskRail\Words\Sentences\Sentences;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * Pictures that were looked at once stay as they are, to a tenth of a pixel, unless somebody means to change them:
 * UPDATE_PICTURES=1 vendor/bin/phpunit tests/Core/PicturesTest.php writes them. Look at them before you keep them.
 */
final class PicturesTest extends TestCase
{
    /** @return iterable<string, array{list<array{string, array<string, mixed>}>}> the edits that lead to each picture */
    public static function pictures(): iterable
    {
        $set = static fn(string $part, array $settings): array => ['set', ['part' => $part, 'settings' => $settings]];
        $view = static fn(string $view): array => ['view', ['view' => $view]];
        $focus = static fn(string $line): array => ['state', ['entity' => $line, 'state' => 'focus']];
        $mark = static fn(array $settings): array => ['add-mark', ['settings' => $settings]];
        $stop = static fn(string $stop, array $settings = []): array => ['add-stop', ['stop' => $stop]];
        $index = ['change-stop', ['id' => 's1', 'settings' => ['base' => '2022-06']]];
        yield 'marks' => [
            [
                $focus('b'),
                $set('labels', ['points' => 'first,last,highest,lowest', 'more' => '3']),
                $mark(['kind' => 'event', 'at' => '2022-09', 'text' => 'New meters']),
                $mark(['kind' => 'spell', 'at' => '2023-02', 'to' => '2023-07', 'text' => 'Drought']),
                $mark(['kind' => 'value', 'value' => '42', 'text' => 'Permit']),
                $mark([
                    'kind' => 'point',
                    'line' => 'home',
                    'at' => '2023-10',
                    'text' => 'Burst',
                    'shape' => 'diamond',
                ]),
                $mark(['kind' => 'drop', 'line' => 'home', 'at' => '2024-02', 'text' => 'Repaired']),
                $mark(['kind' => 'note', 'at' => '2024-06', 'value' => '20', 'text' => 'A note of two words or more']),
                $set('peers', ['line' => 'median', 'band' => 'quartiles', 'target' => '35; 2024 25; B 50']),
            ],
        ];
        yield 'notes-at-the-edges' => [
            [
                [
                    'add-mark',
                    [
                        'settings' => [
                            'kind' => 'note',
                            'at' => '2022-01',
                            'line' => 'home',
                            'text' => 'At the left edge',
                        ],
                    ],
                ],
                [
                    'add-mark',
                    [
                        'settings' => [
                            'kind' => 'note',
                            'at' => '2024-12',
                            'line' => 'home',
                            'text' => 'At the right edge',
                        ],
                    ],
                ],
                [
                    'add-mark',
                    [
                        'settings' => [
                            'kind' => 'note',
                            'at' => '2024-11',
                            'line' => 'b',
                            'text' => 'Near it, and rather longer than the others are',
                        ],
                    ],
                ],
                [
                    'add-mark',
                    [
                        'settings' => [
                            'kind' => 'note',
                            'at' => '2022-02',
                            'line' => 'e',
                            'text' => 'Near the left edge and long enough to reach over it',
                        ],
                    ],
                ],
            ],
        ];
        yield 'looks' => [
            [
                $focus('a'),
                $focus('b'),
                $focus('c'),
                $set('look', [
                    'course' => 'smooth',
                    'area' => '1',
                    'points' => '1',
                    'last' => 'ring',
                    'lastSize' => 'large',
                    'width' => '4',
                    'own' => [
                        'home' => ['width' => 'heavy', 'marker' => 'triangles'],
                        'a' => ['dash' => 'dotted', 'marker' => 'rings'],
                        'b' => ['dash' => 'dashed', 'width' => 'fine', 'marker' => 'squares'],
                        'c' => ['marker' => 'diamonds'],
                    ],
                ]),
                $set('axis', ['start' => 'both', 'view' => 'lines']),
            ],
        ];
        yield 'steps-on-a-logarithmic-axis' => [
            [
                $set('look', ['course' => 'steps', 'lit' => 'above', 'last' => 'triangle']),
                $set('axis', ['log' => '1', 'view' => 'lines']),
                $set('labels', ['points' => 'highest,lowest', 'side' => 'left', 'backed' => '1', 'end' => 'value']),
            ],
        ];
        yield 'index-with-tones' => [
            [
                $stop('index'),
                $index,
                $set('tone', ['by' => 'change', 'scale' => 'about', 'middle' => '0']),
                ['move-label', ['label' => 'home@end', 'x' => '-80', 'y' => '-30']],
                ['words', ['part' => 'headline', 'text' => '*Home* falls by {change Home since 2022}']],
            ],
        ];
        yield 'limits-and-large-words' => [
            [
                $set('text', ['size' => 'large']),
                $set('axis', ['low' => '10', 'high' => '50', 'view' => 'lines']),
                $set('tone', ['by' => 'latest', 'scale' => 'rising']),
                $set('labels', ['end' => 'none']),
                ['range', ['range' => '2022-10..2024-03']],
            ],
        ];
        yield 'overlay' => [[$view('overlay'), $set('overlay', ['start' => '4', 'band' => '1'])]];
        yield 'panels' => [
            [
                $set('panels', [
                    'by' => 'entity',
                    'columns' => '3',
                    'scale' => 'own',
                    'axis' => 'every',
                    'ground' => 'framed',
                ]),
                $set('peers', ['line' => 'mean', 'target' => '30']),
            ],
        ];
        yield 'panels-of-years' => [
            [
                $view('overlay'),
                $set('panels', ['by' => 'entity', 'axis' => 'range', 'order' => 'slope', 'heading' => 'below']),
            ],
        ];
        yield 'months' => [[$set('panels', ['by' => 'month', 'ground' => 'striped', 'gap' => 'wide'])]];
        yield 'stack' => [[$view('stack'), $set('stack', ['top' => '3'])]];
        yield 'shares-in-panels' => [
            [$view('stack'), $set('stack', ['form' => 'shares']), $set('panels', ['by' => 'group'])],
        ];
        yield 'contributions' => [
            [$focus('b'), $view('contributions'), $set('contributions', ['ends' => 'periods', 'top' => '3'])],
        ];
        yield 'before-after' => [
            [$focus('b'), $view('before-after'), $set('event', ['event' => '2023-07', 'called' => 'a new law'])],
        ];
        yield 'turns' => [[$focus('b'), $set('turns', ['turns' => 'shown'])]];
        yield 'layers-through-zero' => [[$view('stack'), $set('stack', ['form' => 'through', 'order' => 'name'])]];
        yield 'marked-points' => [
            [$focus('b'), $set('points', ['marked' => 'first,highest,lowest', 'colours' => 'apart'])],
        ];
        yield 'sparks' => [
            [
                $view('sparks'),
                $set('sparks', [
                    'points' => 'highest,lowest,first,last',
                    'sort' => 'change',
                    'downward' => '1',
                    'forms' => ['a' => 'columns', 'b' => 'signs'],
                    'contributions' => '1',
                ]),
            ],
        ];
        yield 'scatter' => [
            [
                $view('scatter'),
                $set('scatter', [
                    'measure' => 'people',
                    'fits' => '1',
                    'size' => 'people',
                    'line' => 'weighted',
                    'corners' => ['few and much', 'many and much', 'few and little', 'many and little'],
                ]),
            ],
        ];
        yield 'scatter-through-time' => [
            [$view('scatter'), $set('scatter', ['measure' => 'people', 'at' => 'path', 'line' => 'mean']), $focus('b')],
        ];
        yield 'per-head-and-rolling' => [
            [
                $stop('per-denominator'),
                $stop('rolling'),
                ['change-stop', ['id' => 's2', 'settings' => ['window' => '12', 'placed' => 'centred']]],
                $focus('c'),
                $focus('d'),
            ],
        ];
        yield 'change-on-a-year' => [[$stop('change'), $set('peers', ['line' => 'together', 'band' => 'deciles'])]];
        yield 'quarters-against-the-median' => [[$stop('period'), $stop('against'), $focus('f')]];
        yield 'seasons' => [[$stop('per-day'), $stop('seasonal'), $focus('b')]];
        yield 'running-total-and-share' => [[$stop('running-total'), $stop('share')]];
        yield 'groups' => [
            [
                $set('lines', ['groups' => 'South,North']),
                ['state', ['entity' => 'g:South', 'state' => 'focus']],
                $stop('per-denominator'),
                $stop('standardise'),
            ],
        ];
        yield 'one-limit-and-a-label-off-the-edge' => [
            [
                $set('axis', ['high' => '200', 'view' => 'lines']),
                ['move-label', ['label' => 'home@end', 'x' => '900', 'y' => '900']],
                $set('labels', ['own' => ['home' => ['end' => 'value', 'points' => 'four']]]),
            ],
        ];
        yield 'limits-on-a-logarithmic-axis' => [
            [
                $set('axis', ['log' => '1', 'low' => '15', 'high' => '60', 'view' => 'lines']),
                ['range', ['range' => '2022-11..2023-04']],
                $set('look', ['course' => 'smooth', 'area' => '1']),
            ],
        ];
        yield 'from-zero-with-one-mark-in-a-gap' => [
            [
                $focus('c'),
                $set('axis', ['start' => 'zero', 'view' => 'lines']),
                $mark(['kind' => 'point', 'line' => 'c', 'at' => '2023-01', 'text' => 'Nothing here']),
                $mark(['kind' => 'drop', 'line' => 'd', 'at' => '2024-12', 'text' => 'Nor here']),
                $mark(['kind' => 'spell', 'at' => '2021-01', 'to' => '2022-02', 'text' => 'Begun before']),
            ],
        ];
        yield 'scatter-by-group' => [
            [$view('scatter'), $set('scatter', ['measure' => 'people']), $set('panels', ['by' => 'group'])],
        ];
        yield 'scatter-within-limits' => [
            [
                $view('scatter'),
                $set('scatter', [
                    'measure' => 'people',
                    'line' => 'value',
                    'lineX' => '1500',
                    'lineY' => '40',
                    'lowX' => '1200',
                    'highX' => '3000',
                    'lowY' => '20',
                    'highY' => '60',
                ]),
                $set('panels', ['by' => 'group']),
            ],
        ];
        yield 'signs-in-rows-without-groups' => [
            [
                $stop('change'),
                $view('sparks'),
                ['range', ['range' => '2022-06..2024-03']],
                $set('sparks', ['form' => 'signs', 'scale' => 'common', 'grouped' => '0', 'points' => 'all,negative']),
            ],
        ];
        yield 'framed-panels-with-the-others-behind' => [
            [
                $set('panels', [
                    'by' => 'entity',
                    'ground' => 'framed',
                    'behind' => '1',
                    'columns' => '3',
                    'gap' => 'wide',
                ]),
            ],
        ];
        yield 'striped-panels-of-groups' => [[$set('panels', ['by' => 'group', 'ground' => 'striped'])]];
        yield 'ranks-in-panels' => [[$stop('rank'), $focus('b'), $set('panels', ['by' => 'entity', 'scale' => 'own'])]];
        yield 'marks-of-two-sizes-before-the-base' => [
            [
                $stop('index'),
                $index,
                ['range', ['range' => '2022-09..2024-10']],
                $mark([
                    'kind' => 'point',
                    'line' => 'home',
                    'at' => '2023-02',
                    'size' => 'small',
                    'shape' => 'diamond',
                ]),
                $mark(['kind' => 'point', 'line' => 'a', 'at' => '2023-08', 'size' => 'large', 'text' => 'Repaired']),
            ],
        ];
        yield 'figures-shaded' => [[$view('figures'), $set('figures', ['shaded' => '1'])]];
        yield 'ranks' => [[$stop('per-denominator'), $stop('rank'), $focus('d')]];
    }

    /**
     * Of fourteen networks with counts, money, prices and what drives them; the latest year is incomplete.
     *
     * @return iterable<string, array{string, list<array{string, array<string, mixed>}>}> measure, and the edits
     */
    public static function networks(): iterable
    {
        $set = static fn(string $part, array $settings): array => ['set', ['part' => $part, 'settings' => $settings]];
        $view = static fn(string $view): array => ['view', ['view' => $view]];
        $focus = static fn(string $line): array => ['state', ['entity' => $line, 'state' => 'focus']];
        $stop = static fn(string $stop): array => ['add-stop', ['stop' => $stop]];
        $change = static fn(string $id, array $settings): array => [
            'change-stop',
            ['id' => $id, 'settings' => $settings],
        ];
        $perKm = [$stop('per-denominator'), $change('s1', ['measure' => 'mains', 'times' => '100'])];
        yield 'chance-about-the-peer-line' => [
            'bursts',
            [...$perKm, $set('peers', ['line' => 'together', 'band' => 'chance']), $set('text', ['size' => 'large'])],
        ];
        yield 'funnel' => [
            'bursts',
            [...$perKm, $view('scatter'), $set('scatter', ['measure' => 'mains', 'funnel' => '1']), $focus('c')],
        ];
        yield 'the-same-result' => [
            'bursts',
            [
                ...$perKm,
                $view('scatter'),
                $set('scatter', ['measure' => 'density', 'within' => '8', 'fits' => '1', 'highX' => '70']),
                $set('peers', ['set' => 'group:Upland', 'outside' => 'hidden']),
            ],
        ];
        yield 'allowed-for-density' => [
            'bursts',
            [
                ...$perKm,
                $stop('period'),
                $change('s2', ['to' => 'year', 'unfinished' => 'out']),
                $stop('allow-for'),
                $change('s3', ['driver' => 'density']),
                $focus('d'),
            ],
        ];
        yield 'ratio-to-what-two-drivers-expect' => [
            'cost',
            [
                $stop('period'),
                $change('s1', ['to' => 'year']),
                $stop('allow-for'),
                $change('s2', ['driver' => 'mains', 'over' => 'all', 'method' => 'medians', 'as' => 'ratio']),
                $view('figures'),
            ],
        ];
        yield 'prices-of-one-year-per-head' => [
            'cost',
            [
                $stop('per-denominator'),
                $change('s1', ['measure' => 'people']),
                $stop('real-terms'),
                $change('s2', ['prices' => '2021']),
                $stop('rolling'),
                $change('s3', ['window' => '12', 'needed' => '6', 'placed' => 'centred']),
                $set('tone', ['by' => 'change']),
            ],
        ];
        yield 'ordinary-variation' => [
            'bursts',
            [...$perKm, $set('variation', ['limits' => 'shown', 'baseline' => '2021', 'run' => '1', 'trend' => '1'])],
        ];
        yield 'years-from-july-with-a-band' => [
            'bursts',
            [$view('overlay'), $set('overlay', ['start' => '7', 'band' => '1']), $set('axis', ['start' => 'zero'])],
        ];
        yield 'shares-of-the-largest-in-layers' => [
            'cost',
            [$view('stack'), $set('stack', ['form' => 'shares', 'order' => 'size', 'top' => '4'])],
        ];
        yield 'rows-by-change-with-signs' => [
            'bursts',
            [...$perKm, $view('sparks'), $set('sparks', ['sort' => 'change', 'downward' => '1', 'points' => 'last'])],
        ];
        yield 'a-rate-by-the-quarter-and-its-rest' => [
            'lost',
            [
                $stop('formula'),
                $change('s1', ['text' => '100 − here']),
                $stop('period'),
                $change('s2', ['to' => 'quarter']),
                $set('lines', ['groups' => 'Upland,Coast']),
                ['state', ['entity' => 'g:Upland', 'state' => 'focus']],
            ],
        ];
        yield 'the-highest-three-by-rule' => [
            'bursts',
            [...$perKm, $set('rule', ['by' => 'top', 'count' => '3']), $set('peers', ['target' => '12; 2022 10'])],
        ];
        yield 'measures-of-one-network' => [
            'bursts',
            [$set('lines', ['across' => 'measures']), $stop('index'), $focus('m:cost')],
        ];
        yield 'seasons-added-and-trend' => [
            'bursts',
            [
                $stop('seasonal'),
                $change('s1', ['show' => 'trend', 'model' => 'additive']),
                $set('look', ['area' => '1']),
            ],
        ];
        yield 'a-total-since-april-against-the-others' => [
            'bursts',
            [$stop('running-total'), $change('s1', ['from' => 'year', 'month' => '4']), $stop('against')],
        ];
        yield 'turned-off' => [
            'cost',
            [$stop('share'), $stop('rolling'), ['bypass-stop', ['id' => 's1', 'bypassed' => '1']]],
        ];
    }

    /** @param list<array{string, array<string, mixed>}> $edits */
    #[DataProvider('networks')]
    public function testAPictureOfNetworksStaysAsItIs(string $measure, array $edits): void
    {
        $this->isAsItWas(self::utilities(), $measure, $edits);
    }

    /** @param list<array{string, array<string, mixed>}> $edits */
    #[DataProvider('pictures')]
    public function testAPictureStaysAsItIs(array $edits): void
    {
        $this->isAsItWas(self::data(), 'flow', $edits);
    }

    /** @param list<array{string, array<string, mixed>}> $edits */
    private function isAsItWas(DataInMemory $data, string $measure, array $edits): void
    {
        $study = Study::first('Study', $measure, $data);
        foreach ($edits as [$change, $input]) {
            $study = Edit::of(Changes::read($change, $input), $study, $data)->study;
        }
        $comparison = Comparison::of($study, $data);
        $letters = new SquareLetters();
        $sheet = (new SheetComposer($letters))->compose(
            $comparison,
            Make::wording($comparison, 'The Forum'),
            760.0,
            460.0,
            static fn(float $width, float $height) => Make::picture($comparison, $width, $height),
        );
        $this->staysAs("{$this->dataName()}.svg", Svg::standalone($sheet, Palette::day(), ''));
        $narrow = Svg::standalone(Make::picture($comparison, 330.0, 240.0), Palette::night(), '');
        $this->staysAs("{$this->dataName()}.narrow.svg", $narrow);
        $small = Views::of($study)->miniature($comparison, $letters, 220.0, 110.0);
        $this->staysAs("{$this->dataName()}.small.svg", Svg::standalone($small, Palette::day(), ''));
        $this->staysAs("{$this->dataName()}.txt", self::words($comparison));
    }

    /** All that is said beside a picture: what would mislead, what could be said, points, workings, places. */
    private static function words(Comparison $comparison): string
    {
        $wording = Make::wording($comparison, 'The Forum');
        $text = [$wording->headline, $wording->subtitle, ''];
        foreach (Signals::of($comparison) as $notice) {
            $text[] = trim("! {$notice->sentence} {$notice->detail} [{$notice->remedy}]");
        }
        foreach (Sentences::of($comparison) as $claim) {
            $text[] = sprintf('%.3f %s (%s)', $claim->weight, $claim->sentence, $claim->working);
        }
        $lineup = Make::lineup($comparison);
        foreach ($lineup->present() as $line) {
            $points = Readout::along($lineup, $line)['points'];
            $text[] = '';
            $text[] =
                "{$line->name}: " . implode(' · ', $points[count($points) < 2 ? 0 : array_keys($points)[1]] ?? []);
            $text[] = implode(' · ', end($points) ?: []);
        }
        foreach ($comparison->focus() as $line) {
            [$run, $measure, $entity] = $comparison->traced($line->key);
            $text[] = '';
            $text[] = Working::of($run, $comparison->data, $measure, $entity, $line->last ?? 0)->text();
        }
        foreach (PeerComparison::of($comparison) as $standing) {
            [$now, $course] = [$standing->now(), $standing->trend];
            $text[] = '';
            $text[] = sprintf(
                '%s: %d of %d, percentile %.1f, median %.2f, best quartile %.2f; %s %s, %.4f a year, growth %.4f',
                ...[$standing->line->name, $now->rank, $now->of, $now->percentile, $now->median, $now->bestQuartile],
                ...[$comparison->verdict($course->trend), $course->trend->reason, $course->slope, $course->growth],
            );
        }

        return implode("\n", [...$text, ...self::onTheRail($comparison), ...self::inTheTable($comparison)]) . "\n";
    }

    /** @return list<string> what each stop says of itself and of its place, and what is proposed next */
    private static function onTheRail(Comparison $comparison): array
    {
        $text = [''];
        $first = $comparison->focus()[0] ?? null;
        foreach ($comparison->run->steps as $step) {
            $id = $step->placed->id;
            $text[] = "{$id} {$step->state()}" . ($step->isInUse() ? '' : ' (not in use)') . " {$step->refusal}";
            foreach ($step->outcome->remarks as $remark) {
                $text[] = trim("  {$remark->sentence} {$remark->detail} [{$remark->remedy}]");
            }
            $others = $first === null || $first->isGroup() ? [] : OtherOrder::of($comparison, $id, $first);
            foreach ($others as $other) {
                $text[] = sprintf(
                    '  %s %s: %s%s',
                    ...[$other->earlier ? 'before' : 'after', $other->neighbour],
                    ...[$other->refusal, $other->differs ? sprintf('%.6g', $other->at($first?->last)) : 'the same'],
                );
            }
        }
        foreach (Proposals::of($comparison) as $proposal) {
            $text[] = "+ {$proposal->label}: {$proposal->reason}";
        }

        return $text;
    }

    /** @return list<string> the heads, the first rows and the last of the data that are handed over */
    private static function inTheTable(Comparison $comparison): array
    {
        $table = Views::of($comparison->study)->values($comparison);
        $rows = $table->rows;
        $shown = count($rows) > 4 ? [...array_slice($rows, 0, 3), ...array_slice($rows, -1)] : $rows;
        $cell = static fn(string|float $c): string => is_string($c) ? $c : (is_nan($c) ? '' : sprintf('%.8g', $c));

        return [
            '',
            implode(' | ', $table->heads),
            ...array_map(static fn(array $row): string => implode(' | ', array_map($cell, $row)), $shown),
            ...array_map(static fn(string $note): string => "# {$note}", $table->notes),
        ];
    }

    public function testTheTrackStaysAsItIs(): void
    {
        $data = self::data();
        $study = Make::study($data, StopCatalogue::make('index', ['base' => '2022-06..2022-08']));
        $study = Edit::of(Changes::read('range', ['range' => '2022-04..2024-03']), $study, $data)->study;
        $comparison = Comparison::of($study, $data);
        $plot = Make::picture($comparison, 700.0, 300.0)->plot ?? self::fail('The picture has no plot.');
        $track = (new TrackComposer(new SquareLetters()))->compose($comparison, $plot, 700.0);
        $this->staysAs('track.svg', Svg::standalone($track, Palette::night(), ''));
    }

    private function staysAs(string $name, string $drawn): void
    {
        $path = __DIR__ . "/pictures/{$name}";
        if (getenv('UPDATE_PICTURES') !== false) {
            file_put_contents($path, $drawn);
        }
        $kept = (string) file_get_contents($path);
        $same = strspn($kept ^ $drawn, "\0");
        self::assertTrue($kept === $drawn, "{$name} is drawn otherwise from here on: " . substr($drawn, $same, 120));
    }

    /** Three years of months at seven utilities of two groups, with seasons, a gap, one that ends and one that begins. */
    private static function data(): DataInMemory
    {
        $flow = $people = $entities = [];
        foreach (['home', 'a', 'b', 'c', 'd', 'e', 'f'] as $n => $key) {
            $values = [];
            for ($i = 0; $i < 36; $i++) {
                $wave = sin(($i + 2 * $n) * 0.5236) * (3 + $n);
                $values[] = round(30 + 4 * $n - 0.3 * $i * (1 - 0.4 * $n) + $wave + (($i * ($n + 3)) % 7) / 2, 1);
            }
            $flow[$key] = $values;
            $people[$key] = [1_000 + 300 * $n, 1_040 + 310 * $n, 1_100 + 320 * $n];
            $entities[] = new Entity($key, ucfirst($key), $n % 2 === 0 ? 'South' : 'North', $key === 'home');
        }
        $missing = array_fill(0, 36, null);
        $flow['c'] = [...array_slice($flow['c'], 0, 12), null, null, ...array_slice($flow['c'], 14)];
        $flow['d'] = [...array_slice($flow['d'], 0, 30), ...array_slice($missing, 30)];
        $flow['e'] = [...array_slice($missing, 0, 9), ...array_slice($flow['e'], 9)];
        $plain = Make::data([
            'flow' => ['Ml', MeasureKind::Flow, '2022-01', $flow],
            'people' => ['people', MeasureKind::Stock, '2022', $people],
        ]);

        return new DataInMemory(array_values($plain->measures()), $entities, [
            'flow' => $plain->table('flow'),
            'people' => $plain->table('people'),
        ]);
    }

    /**
     * Fourteen networks, three years of months and four more: bursts as chance would have them about a rate that falls
     * with density, costs that follow the mains and rising prices, and what is lost, per water put in.
     */
    private static function utilities(): DataInMemory
    {
        mt_srand(14);
        $series = array_fill_keys(['bursts', 'cost', 'lost', 'water', 'mains', 'people', 'density'], []);
        $entities = [];
        foreach (['home', ...range('a', 'm')] as $n => $key) {
            $mains = 300 + 230 * (($n * 5) % 14);
            $density = 20 + 4 * (($n * 3) % 14);
            $series['mains'][$key] = [$mains, $mains + 10, $mains + 25, $mains + 30];
            $series['people'][$key] = array_map(static fn(int $km): int => $km * $density, $series['mains'][$key]);
            $series['density'][$key] = [$density, $density, $density + 1, $density + 1];
            for ($i = 0; $i < 40; $i++) {
                $expected =
                    ($mains / 100) * (18 - 0.15 * $density) * (1 + 0.3 * cos(($i * M_PI) / 6)) + ($n === 3 ? $i : 0);
                $series['bursts'][$key][] = max(
                    0,
                    (int) round($expected + sqrt($expected) * (mt_rand(-150, 150) / 100)),
                );
                $series['cost'][$key][] = round($mains * (1 + 0.004 * $i) * (mt_rand(95, 105) / 100), 1);
                $series['water'][$key][] = $mains * 3 + mt_rand(-40, 40);
                $series['lost'][$key][] = round(12 + $n / 2 + cos($i / 3) + mt_rand(-10, 10) / 10, 1);
            }
            $entities[] = new Entity($key, ucfirst($key), ['Upland', 'Coast', 'Lowland'][$n % 3], $key === 'home');
        }
        $kinds = [
            'bursts' => ['bursts', MeasureKind::Flow, '2020-01'],
            'cost' => ['thousand crowns', MeasureKind::Flow, '2020-01'],
            'water' => ['Ml', MeasureKind::Flow, '2020-01'],
            'mains' => ['km', MeasureKind::Stock, '2020'],
            'people' => ['people', MeasureKind::Stock, '2020'],
            'density' => ['people per km', MeasureKind::Rate, '2020'],
        ];
        $measures = $tables = [];
        foreach ($kinds as $key => [$unit, $kind, $first]) {
            $measures[] = $measure = Make::measure($key, $unit, $kind, $first);
            $tables[$key] = Make::table($measure, $first, $series[$key]);
        }
        $measures[] = $lost = Make::measure('lost', '%', MeasureKind::Rate, '2020-01')->withPer('water');
        $tables['lost'] = Make::table($lost, '2020-01', $series['lost']);
        $measures[] = $prices = Make::measure('price-index', '2020 = 100', MeasureKind::Rate, '2020-01');
        $index = array_map(static fn(int $i): float => round(100 * 1.004 ** $i, 1), range(0, 39));
        $tables['price-index'] = Make::table($prices, '2020-01', ['all' => $index]);

        return new DataInMemory($measures, [...$entities, new Entity('all', 'All')], $tables);
    }
}
