<?php

declare(strict_types=1);

namespace Tests\Core;

use DuskRail\Document\Changes\Changes;
use DuskRail\Document\PartCatalogue;
use DuskRail\Document\Parts\AxisPart;
use DuskRail\Document\Parts\MarksPart;
use DuskRail\Document\Parts\PeersPart;
use DuskRail\Document\Study;
use DuskRail\Document\StudyDocument;
use DuskRail\Document\ValuesByHand;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Edit;
use DuskRail\Outcome\ReaderChoices;
use DuskRail\Rail\Rail;
use DuskRail\Settings\Declaration;
use DuskRail\Settings\Kinds\Number;
use DuskRail\Signals\Notice;
use DuskRail\Signals\Signals;
use PHPUnit\Framework\TestCase;

/** Targets, limits and reference lines go along with the unit that they were typed in. */
final class ValuesByHandTest extends TestCase
{
    public function testEveryNumberOfAPartIsOneOrIsInNoUnitOfTheRail(): void
    {
        // Pixels, distances of likeness, widths, and places of a scatter, whose axes are of measures.
        $others = ['labels', 'scatter', 'look.width'];
        $study = new Study('Study', 'flow', Rail::of());
        foreach (PartCatalogue::all() as $name => $class) {
            foreach (Declaration::of($class)->settings as $setting) {
                if (
                    !$setting->kind instanceof Number ||
                    array_intersect([$name, "{$name}.{$setting->name}"], $others) !== []
                ) {
                    continue;
                }
                $needs = array_map(static fn(mixed $v): mixed => is_array($v) ? $v[0] : $v, $setting->kind->when);
                $set = $study->withPart($class::from([...$needs, $setting->name => 7.0]));
                self::assertSame(["{$name}.{$setting->name}=7"], array_keys(ValuesByHand::in($set)));
            }
        }
    }

    public function testWhatWasTypedInAnotherUnitIsKeptAndNotUsedUntilTheRailEndsInItAgain(): void
    {
        $data = Make::leakage();
        $comparison = self::edited(Make::study($data), [
            ['set', ['part' => 'peers', 'settings' => ['target' => '60; 2020-06 55']]],
            ['set', ['part' => 'axis', 'settings' => ['low' => '40', 'view' => 'lines']]],
            ['add-mark', ['settings' => ['kind' => 'value', 'value' => '75']]],
            ['add-mark', ['settings' => ['kind' => 'event', 'at' => '2019-06', 'text' => 'Works']]],
        ]);
        self::assertSame([], $comparison->document->units);
        self::assertNull(self::notice($comparison));

        // A mean over months is in the same unit.
        $mean = self::edited($comparison->document, [['add-stop', ['stop' => 'rolling']]]);
        self::assertSame(['60; 2020-06 55', 40.0, 2, []], self::inForce($mean));

        $index = self::edited($mean->document, [['add-stop', ['stop' => 'index']]]);
        self::assertSame(['', null, 1, []], [...array_slice(self::inForce($index), 0, 3), []]);
        self::assertSame(
            ['peers.target=60; 2020-06 55', 'axis.low=40', 'marks.value=75'],
            array_keys($index->document->units),
        );
        self::assertSame(
            'Target 60; 2020-06 55, minimum of the axis 40, reference line 75 were typed in Ml per month and are not ' .
                'used: the unit is now 2020 = 100.',
            self::notice($index)?->sentence,
        );
        // It is kept in what is written.
        $written = StudyDocument::read(StudyDocument::write($index->document));
        self::assertEquals($index->document, $written);

        // What is typed now is of the unit that is there now, and the others still wait for theirs.
        $typed = self::edited($written, [['set', ['part' => 'peers', 'settings' => ['target' => '90']]]]);
        self::assertSame('90', self::inForce($typed)[0]);
        $back = self::edited($typed->document, [['remove-stop', ['id' => 's2']]]);
        self::assertSame(['', 40.0, 2], array_slice(self::inForce($back), 0, 3));
        self::assertStringStartsWith('Target 90 was typed in', (string) self::notice($back)?->sentence);
        $dropped = self::edited($back->document, [['drop-values', self::notice($back)->input ?? []]]);
        $document = $dropped->document;
        self::assertSame(['', []], [$document->part(PeersPart::class)->target->code(), $document->units]);
        self::assertSame(40.0, $dropped->document->part(AxisPart::class)->low);

        // A difference is in the unit of what it is between, and no amount of it.
        $difference = ['stop' => 'change', 'settings' => ['as' => 'difference']];
        $change = self::edited($dropped->document, [['add-stop', $difference]]);
        self::assertNull(self::inForce($change)[1]);
        $said = (string) self::notice($change)?->sentence;
        self::assertStringContainsString('for another measure or calculation', $said);
    }

    public function testAReaderWhoChoosesAnotherBaseSeesNoTargetOfTheOldOne(): void
    {
        $index = self::edited(Make::study(Make::leakage()), [
            ['add-stop', ['stop' => 'index', 'settings' => ['base' => '2019']]],
            ['set', ['part' => 'peers', 'settings' => ['target' => '90']]],
        ]);
        self::assertSame('90', self::inForce($index)[0]);
        foreach (['2020' => '', '' => '90'] as $base => $target) {
            $chosen = ReaderChoices::read(['base' => (string) $base], ['base'])->appliedTo($index);
            self::assertSame($target, self::inForce(Comparison::of($chosen, Make::leakage()))[0]);
        }
    }

    public function testAFactorConvertsWhatWasTyped(): void
    {
        $data = Make::leakage();
        $study = Make::study($data);
        $divided = self::edited($study, [
            ['add-stop', ['stop' => 'per-denominator']],
            ['change-stop', ['id' => 's1', 'settings' => ['times' => '1000']]],
            ['set', ['part' => 'peers', 'settings' => ['target' => '2.5; Marl 2020 2.25']]],
            ['set', ['part' => 'axis', 'settings' => ['low' => '1.5', 'high' => '4', 'view' => 'lines']]],
            ['add-mark', ['settings' => ['kind' => 'value', 'value' => '3']]],
        ]);
        $more = self::edited($divided->document, [
            ['change-stop', ['id' => 's1', 'settings' => ['times' => '1000000']]],
        ]);
        self::assertSame(['2500; Marl 2020 2250', 1500.0, 1, []], self::inForce($more));
        self::assertSame(4_000.0, $more->study->part(AxisPart::class)->high);
        self::assertSame(3_000.0, $more->study->part(MarksPart::class)->marks[0]->value);
        $back = self::edited($more->document, [['change-stop', ['id' => 's1', 'settings' => ['times' => '1000']]]]);
        self::assertEquals($divided->document, $back->document);
        self::assertNull(self::notice($more));
    }

    /** @return array{string, float|null, int, array<string, string>} target, lower limit, marks, and units kept */
    private static function inForce(Comparison $comparison): array
    {
        return [
            $comparison->study->part(PeersPart::class)->target->code(),
            $comparison->study->part(AxisPart::class)->low,
            count($comparison->study->part(MarksPart::class)->marks),
            $comparison->document->units,
        ];
    }

    /** @param list<array{string, array<string, mixed>}> $edits */
    private static function edited(Study $study, array $edits): Comparison
    {
        $data = Make::leakage();
        $comparison = Comparison::of($study, $data);
        foreach ($edits as [$name, $input]) {
            $comparison = Edit::of(Changes::read($name, $input), $comparison->document, $data);
        }

        return $comparison;
    }

    private static function notice(Comparison $comparison): ?Notice
    {
        $own = array_filter(
            Signals::of($comparison),
            static fn(Notice $notice): bool => str_starts_with($notice->id, 'unit-'),
        );

        return array_values($own)[0] ?? null;
    }
}
