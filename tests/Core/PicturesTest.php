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
use DuskRail\Outcome\Standing;
use DuskRail\Rail\StopCatalogue;
use DuskRail\Rail\Working;
use DuskRail\Signals\Signals;
use DuskRail\Words\Readout;
use DuskRail\Words\Sentences\Sentences;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * Pictures that were looked at once stay as they are, to a tenth of a pixel, unless somebody means to change them:
 * UPDATE_PICTURES=1 vendor/bin/phpunit tests/Core/PicturesTest.php writes them anew. Look at them before you keep them.
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
        yield 'layers-through-zero' => [[$view('stack'), $set('stack', ['form' => 'through', 'order' => 'name'])]];
        yield 'sparks' => [
            [
                $view('sparks'),
                $set('sparks', [
                    'points' => 'highest,lowest,first,last',
                    'sort' => 'change',
                    'downward' => '1',
                    'forms' => ['a' => 'columns', 'b' => 'signs'],
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

    /** @param list<array{string, array<string, mixed>}> $edits */
    #[DataProvider('pictures')]
    public function testAPictureStaysAsItIs(array $edits): void
    {
        $data = self::data();
        $study = Study::first('Study', 'flow', $data);
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
        foreach (Standing::of($comparison) as $standing) {
            [$now, $course] = [$standing->now, $standing->course];
            $text[] = '';
            $text[] = sprintf(
                '%s: %d of %d, percentile %.1f, median %.2f, best quartile %.2f; %s %s, %.4f a year, growth %.4f',
                ...[$standing->line->name, $now->rank, $now->of, $now->percentile, $now->median, $now->bestQuartile],
                ...[$comparison->verdict($course->trend), $course->trend->reason, $course->slope, $course->growth],
            );
        }

        return implode("\n", $text) . "\n";
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
}
