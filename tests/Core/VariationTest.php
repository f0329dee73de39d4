<?php

declare(strict_types=1);

namespace Tests\Core;

use DuskRail\Chart\Group;
use DuskRail\Data\MeasureKind;
use DuskRail\Document\Parts\VariationPart;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Variation;
use DuskRail\Rail\StopCatalogue;
use DuskRail\Settings\InvalidSetting;
use DuskRail\Signals\Notice;
use DuskRail\Signals\Signals;
use DuskRail\Statistics\IndividualsChart;
use PHPUnit\Framework\TestCase;

/** What a line does by itself, and what is more than that. */
final class VariationTest extends TestCase
{
    /** NIST/SEMATECH e-Handbook of Statistical Methods, 6.3.2.2: batches of liquid and their flow rates. */
    public function testLimitsAreThoseOfTheNistHandbook(): void
    {
        $flow = [49.6, 47.6, 49.9, 51.3, 47.8, 51.2, 52.6, 52.4, 53.6, 52.1];
        $chart = IndividualsChart::of($flow, 0, 9);
        self::assertNotNull($chart);
        self::assertEqualsWithDelta(50.81, $chart->middle, 1e-9);
        self::assertEqualsWithDelta([45.8159, 55.8041], [$chart->lower, $chart->upper], 1e-4);
        self::assertSame([[], []], [$chart->outside(), $chart->trends()]);
        self::assertNull(IndividualsChart::of(array_slice($flow, 0, 7), 0, 6));
        self::assertNull(IndividualsChart::of(array_fill(0, 12, 5.0), 0, 11));
    }

    public function testRunsTrendsAndWhatLiesOutsideAreFound(): void
    {
        $calm = [10.0, 12.0, 9.0, 11.0, 10.0, 12.0, 9.0, 11.0, 10.0, 12.0];
        $chart = static fn(float ...$more): ?IndividualsChart => IndividualsChart::of(
            [...$calm, ...array_values($more)],
            0,
            9,
        );
        // The mean is 10.6, and the limits are 5.6 from it.
        self::assertSame([12], $chart(11.0, 10.0, 17.0)?->outside());
        // Eight above the mean, of which one is missing, are a run with the twelve before; seven are none.
        self::assertSame(
            [9, 10, 11, 12, 14, 15, 16, 17],
            $chart(11.0, 13.0, 12.0, NAN, 11.0, 13.0, 11.0, 12.0)?->runs(),
        );
        self::assertSame([], $chart(11.0, 13.0, 12.0, NAN, 11.0, 13.0, 11.0)?->runs());
        // Six that rise one after the other, and five that do not do.
        self::assertSame([10, 11, 12, 13, 14, 15], $chart(9.5, 10.0, 10.1, 10.2, 11.0, 11.5)?->trends());
        self::assertSame([], $chart(9.5, 10.0, 10.1, 10.2, 11.0)?->trends());
        self::assertSame([], $chart(9.5, 10.0, 10.1, 10.1, 10.2, 11.0, 11.5)?->trends());
    }

    public function testItIsDrawnSaidAndRefusedWhereItMeansNothing(): void
    {
        $values = [10, 12, 9, 11, 10, 12, 9, 11, 10, 12, 11, 10, 20, 21, 20, 22];
        $data = Make::data(['flow' => ['Ml', MeasureKind::Flow, '2020-01', ['home' => $values, 'other' => $values]]]);
        $study = Make::study($data);
        self::assertNull(Variation::of(Comparison::of($study, $data)));
        $shown = $study->withPart(VariationPart::from(['limits' => 'shown', 'baseline' => '2020-01 – 2020-10']));
        $comparison = Comparison::of($shown, $data);
        self::assertSame([12, 13, 14, 15], Variation::of($comparison)?->beyond);
        $groups = array_map(
            static fn(object $mark): string => $mark instanceof Group ? $mark->role : '',
            Make::picture($comparison)->marks,
        );
        self::assertContains('variation', $groups);
        self::assertContains('beyond', $groups);
        self::assertStringContainsString('shaded: ordinary variation', Make::wording($comparison, '')->subtitle);
        $said = static fn(Comparison $c): array => array_map(
            static fn(Notice $n): string => $n->sentence,
            Signals::of($c),
        );
        $short = Comparison::of(
            $shown->withPart(VariationPart::from(['limits' => 'shown', 'baseline' => '2021'])),
            $data,
        );
        self::assertStringContainsString('at least 8 different values', implode(' ', $said($short)));
        $ranked = $shown->withRail($shown->rail->with(StopCatalogue::make('rank', [])));
        self::assertNull(Variation::of(Comparison::of($ranked, $data)));
        // Periods that the data do not have are no baseline, and nothing else is taken for it.
        $long = Comparison::of(
            $shown->withPart(VariationPart::from(['limits' => 'shown', 'baseline' => '1990'])),
            $data,
        );
        self::assertNull(Variation::of($long));
        $this->expectException(InvalidSetting::class);
        VariationPart::from(['limits' => 'shown', 'baseline' => 'long ago']);
    }
}
