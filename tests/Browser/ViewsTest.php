<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;

/** Each view doing its task, on the demo, with the answer read off the screen. */
final class ViewsTest extends BrowserTestCase
{
    public function testYearsAreLaidOverEachOtherTakenOffAndPutAsABand(): void
    {
        $browser = $this->open('/studies/4');
        $browser->see('.headline', 'on 31 October 2025: 23.4, 0.2 below 2024')->see('.chart .time-axis', '1 Feb');
        self::assertSame(2, $this->many('.end-label text[fill="var(--focus-1)"]'));
        // Any year off and on with one click in the roster, which lists years here.
        $browser->see('#rows', '2019')->actions()->moveToElement($browser->find('#row-y-2022'))->perform();
        $browser->click('#row-y-2022 .away')->until('2022 to be off', fn(): bool => $this->many('.series[data-line="y:2022"]') === 0);
        $browser->see('.headline', 'all 5 earlier ones')->click('[data-history=undo]')->until('2022 to be back', fn(): bool => $this->many('.series[data-line="y:2022"]') === 1);
        $browser->click('[popovertarget=set-overlay]')->choose('#set-overlay-band', 'as a band')->see('.chart', 'Median 2019 – 2024');
        self::assertSame(1, $this->many('.chart .band path'));
        $browser->press(WebDriverKeys::ESCAPE);
        // 29 February is a place of its own, and no year without it is broken there: one stroke of one piece.
        self::assertSame(1, $browser->number('document.querySelector(\'.series[data-line="y:2024"] path[stroke="var(--focus-1)"]\').getAttribute("d").split("M").length - 1'));
        $browser->run('document.querySelector(".chart").focus()');
        $browser->press(WebDriverKeys::END);
        $browser->see('#readout', '2025, 31 October 2025')->press(WebDriverKeys::ENTER);
        $browser->see('#working', 'Veldmere Water, 31 October 2025')->see('#working', 'daily-veldmere.csv, row 2497');
    }

    public function testPanelsReadOnePeriodInAllAreOrderedAndSplitAnotherWay(): void
    {
        $browser = $this->open('/studies/5');
        self::assertSame(24, $this->many('.panel'));
        $panel = $browser->find('.panel[data-key="tarrow"]');
        $browser->actions()->moveToElement($panel, 0, 30)->perform();
        $browser->until('the same period in all', fn(): bool => $this->many('.panel .cursor') > 20 && $browser->find('#panel-place')->isDisplayed());
        self::assertMatchesRegularExpression('/^[A-Z][a-z]{2} 20\d\d$/', $browser->text('#panel-place'));
        $browser->click('[popovertarget=set-panels]')->choose('#set-panels-order', 'largest rise first');
        $browser->until('the one that rose most to be first', static fn(): bool => $browser->attribute('.panel', 'data-key') === 'harrowfell');
        $browser->choose('#set-panels-by', 'part of the year')->until('a panel a month', fn(): bool => $this->many('.panel') === 12);
        $browser->see('.panels', 'Feb')->choose('#set-panels-by', 'measure')->see('.panels', 'Water supplied, 2019 = 100');
        $browser->choose('#set-panels-scale', 'one each')->see('#signals', 'scale of its own');
        // Years over each other, a panel each, is two choices.
        $browser->choose('#set-panels-by', 'line')->press(WebDriverKeys::ESCAPE);
        $browser->click('[data-view=overlay]')->until('dashes in the panels', fn(): bool => $this->many('.panel path[stroke-dasharray]') >= 20);
        $browser->run('document.querySelector(".panels").focus()');
        $browser->press(WebDriverKeys::ARROW_RIGHT, WebDriverKeys::ARROW_DOWN);
        $browser->until('a panel to be read out', static fn(): bool => str_contains($browser->property('#spoken', 'textContent'), ': '));
    }

    public function testPartsAreStackedToAWholeAndWhatIsNoPartIsRefused(): void
    {
        $browser = $this->open('/studies/1');
        $browser->click('[data-view=stack]')->see('.headline', 'The largest three make 29 % of the whole in October 2025')->see('.chart', 'The other 18');
        $shares = $browser->run('return [...document.querySelectorAll(".end-label tspan:last-child")].map((t) => parseFloat(t.textContent))');
        self::assertIsArray($shares);
        self::assertEqualsWithDelta(100.0, array_sum(array_filter($shares, is_numeric(...))), 2.0);
        $browser->click('[popovertarget=set-stack]')->choose('#set-stack-form', 'areas to 100 %')->see('.subtitle', 'per cent of the whole')->see('.chart .value-axis', '100');
        $browser->choose('#set-stack-top', 'the largest 2')->see('.chart', 'The other 22');
        $this->open('/studies/3');
        $browser->click('[data-view=stack]')->see('#chart', 'does not add up to a whole');
    }

    public function testRowsOfSparksAreSortedAndOneOpensIntoLines(): void
    {
        $browser = $this->open('/studies/2');
        $browser->click('[data-view=sparks]')->see('.sparks', 'falling');
        // What a group comes to is a ratio of sums, not a sum of ratios: it lies among its members.
        $estuary = (float) str_replace(',', '', $browser->text('.sparks .total td:nth-of-type(4)'));
        self::assertTrue($estuary > 2_338 && $estuary < 3_600, (string) $estuary);
        $browser->click('.sparks th:nth-child(6) .sorter')->see('.sparks th:nth-child(6)', '↑')->see('.sparks tbody tr:nth-child(2)', 'Veldmere Water');
        $browser->click('[popovertarget=set-sparks]')->click('#set-sparks input[value=negative]')->choose('#set-sparks-form', 'columns')->until('columns', fn(): bool => $this->many('.sparks td.spark rect') > 200);
        // One row another way than the others.
        $browser->press(WebDriverKeys::ESCAPE)->click('.sparks tr[data-line=tarrow] .spark button')->until('ups and downs in one row', fn(): bool => $this->many('.sparks tr[data-line=tarrow] .spark rect') > 20 && count(array_unique(array_map(static fn($r): string => (string) $r->getAttribute('height'), $browser->web->findElements(WebDriverBy::cssSelector('.sparks tr[data-line=tarrow] .spark rect'))))) < 4);
        $browser->press(WebDriverKeys::ESCAPE)->click('.sparks tr[data-line=dunmarsh] .opens')->see('.chart', 'Dunmarsh');
        self::assertSame('true', $browser->attribute('#row-dunmarsh .pick', 'aria-pressed'));
    }

    public function testTwoMeasuresAreSetAgainstEachOtherEachWithItsOwnRail(): void
    {
        $browser = $this->open('/studies/2');
        $browser->click('[data-view=scatter]')->see('.headline', 'Leakage against')->see('.scatter-notes', 'October 2025');
        $browser->click('.which button:last-child')->click('#stop-origin .name')->choose('#origin-measure', 'Bursts')->see('.headline', 'Leakage against bursts');
        $browser->press(WebDriverKeys::ESCAPE);
        // Lower is better of both: the lower left corner is the good one.
        self::assertSame(1, $this->many('.good-corner rect'));
        $browser->see('.rail', 'bursts per 1,000,000 connections')->click('.which button:first-child')->see('#stop-origin', 'Leakage');
        $browser->click('[popovertarget=set-scatter]')->choose('#set-scatter-fits', 'through each group')->see('.chart', 'Upland: y =');
        $browser->run('const s = document.querySelector("#set-scatter-highY"); s.value = 4500; s.dispatchEvent(new Event("change", { bubbles: true }))');
        $browser->see('.scatter-notes', 'Left out: ')->see('.scatter-notes', 'with, at');
        $browser->choose('#set-scatter-at', 'as paths')->until('paths', static fn(): bool => $browser->number('document.querySelector(".series[data-line=tarrow] path").getAttribute("d").length') > 100);
        $browser->press(WebDriverKeys::ESCAPE)->actions()->moveToElement($browser->find('.series[data-line=veldmere-water] circle:last-of-type'))->perform();
        $browser->see('#readout', 'Veldmere Water');
    }

    public function testLinesRunAcrossMeasuresGroupsAndThoseThatARuleFinds(): void
    {
        $browser = $this->open('/studies/3');
        $browser->click('[popovertarget=set-rule]')->choose('#set-rule-by', 'the lowest')->see('.chart', 'Millharrow')->see('.rule', 'on');
        $browser->click('#set-rule .remedy')->until('the rule to be frozen', static fn(): bool => ! str_contains($browser->text('.rule'), 'on'));
        self::assertSame('true', $browser->attribute('#row-millharrow .pick', 'aria-pressed'));
        $browser->press(WebDriverKeys::ESCAPE)->click('[popovertarget=set-lines]')->click('#set-lines input[value=Upland]')->see('#rows', 'Whole groups');
        $browser->choose('#set-lines-across', 'measures')->see('.chart', 'Water supplied')->see('#rows', 'Energy');
        $browser->press(WebDriverKeys::ESCAPE)->run('document.querySelector(".chart").focus()');
        $browser->press(WebDriverKeys::END, WebDriverKeys::ENTER);
        $browser->see('#working', 'monthly.csv, row');
    }

    public function testTheAxisIsPulledAndItsLimitIsLetGoInAnotherView(): void
    {
        $browser = $this->open('/studies/3');
        $axis = $browser->find('.chart .value-axis text');
        $browser->actions()->moveToElement($axis)->clickAndHold()->moveByOffset(0, 40)->release()->perform();
        $browser->see('#signals', 'are cut off');
        $browser->click('[data-view=overlay]')->see('#signals', 'set in Lines')->see('#signals', 'do not hold here');
        $browser->click('[data-view=figures]')->click('[popovertarget=set-figures]')->choose('#set-figures-down', 'years of one line')->see('.figures', 'Dec');
        $browser->press(WebDriverKeys::ESCAPE)->click('.figures th:nth-child(2) .sorter')->see('.figures th:nth-child(2)', '↓');
        $first = $browser->text('.figures tbody tr td');
        self::assertSame($first, $browser->run('return Math.max(...[...document.querySelectorAll(".figures tbody tr td:nth-child(2)")].map((c) => parseFloat(c.textContent)).filter((v) => v === v)).toFixed(1)'));
        $browser->press('v');
        $browser->until('the next view', static fn(): bool => $browser->attribute('[data-view=lines]', 'aria-pressed') === 'true');
    }

    private function open(string $path): Browser
    {
        $this->browser->web->get($this->application->url($path));
        usleep(700_000);

        return $this->browser;
    }

    private function many(string $selector): int
    {
        return count($this->browser->web->findElements(WebDriverBy::cssSelector($selector)));
    }
}
