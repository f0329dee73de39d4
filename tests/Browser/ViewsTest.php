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
        $browser
            ->click('#row-y-2022 .away')
            ->until('2022 to be off', fn(): bool => $this->many('.series[data-line="y:2022"]') === 0);
        $browser
            ->see('.headline', 'all 5 earlier ones')
            ->click('[data-history=undo]')
            ->until('2022 to be back', fn(): bool => $this->many('.series[data-line="y:2022"]') === 1);
        $browser
            ->click('[popovertarget=set-overlay]')
            ->choose('#set-overlay-band', 'band with')
            ->see('.chart', 'Median 2019 – 2024');
        self::assertSame(1, $this->many('.chart .band path'));
        $browser->press(WebDriverKeys::ESCAPE);
        // 29 February is a place of its own, and no year without it is broken there: one stroke of one piece.
        self::assertSame(
            1,
            $browser->number(
                'document.querySelector(\'.series[data-line="y:2024"] ' .
                    'path[stroke="var(--focus-1)"]\').getAttribute("d").split("M").length - 1',
            ),
        );
        $browser->run('document.querySelector(".chart").focus()');
        $browser->press(WebDriverKeys::END);
        $browser->see('#readout', '2025, 31 October 2025')->press(WebDriverKeys::ENTER);
        $browser->see('#working', 'Veldmere Water, 31 October 2025')->see('#working', 'daily-veldmere.csv, row 2497');
    }

    public function testBackForwardAndLinksShowWhatWasSeen(): void
    {
        $browser = $this->open('/studies/1');
        $at = static fn(string $query): bool => $browser->run('return location.search') === $query;
        $browser->until('the view in the address', static fn(): bool => $at('?view=lines'));
        $browser->click('[data-view=overlay]')->see('.chart', '2025');
        $browser->until('another view to be another address', static fn(): bool => $at('?view=overlay'));
        $browser->click('[popovertarget=set-overlay]');
        $browser->until('the open editor', static fn(): bool => $at('?view=overlay&open=set-overlay'));
        // From one editor to another, and back past both.
        $browser->click('[popovertarget=set-axis]');
        $browser->until('the other editor', static fn(): bool => $at('?view=overlay&open=set-axis'));
        $browser->run('history.back()');
        $browser->until('the editor to be closed', fn(): bool => $this->many('.editor.dock:popover-open') === 0);
        $browser->run('history.back()');
        $browser->until('lines again', fn(): bool => $this->many('[data-view=lines].on') === 1);
        $browser->run('history.forward()');
        $browser->until('years again', fn(): bool => $this->many('[data-view=overlay].on') === 1);
        // Closing an editor leaves no step behind.
        $steps = $browser->number('history.length');
        $browser->click('[popovertarget=set-axis]')->press(WebDriverKeys::ESCAPE);
        $browser->until('the address without it', static fn(): bool => $at('?view=overlay'));
        self::assertLessThanOrEqual($steps + 1, $browser->number('history.length'));
        $browser->click('[data-view=stack]');
        $browser->until('stack', static fn(): bool => $at('?view=stack'));
        $browser->run('history.back()');
        $browser->until('one step back', fn(): bool => $this->many('[data-view=overlay].on') === 1);

        $link = $this->open('/studies/1?view=lines&split=entity&open=set-panels');
        $link->until('the panels of the link', fn(): bool => $this->many('.panel') === 24);
        $link->until('its editor', fn(): bool => $this->many('#set-panels:popover-open') === 1);
        self::assertSame('Undo: Switch to Lines', $link->attribute('[data-history=undo]', 'title'));
        // What no view is called changes nothing.
        $odd = $this->open('/studies/1?view=pie&open=nothing');
        $odd->until('the view as it is', static fn(): bool => $at('?view=lines&split=entity'));
    }

    public function testPanelsReadOnePeriodInAllAreOrderedAndSplitAnotherWay(): void
    {
        $browser = $this->open('/studies/5');
        self::assertSame(24, $this->many('.panel'));
        // The others are behind each panel, and stay there when the page has asked whether somebody else made a change.
        $asked = 'return performance.getEntriesByType("resource").some((one) => one.name.endsWith("/history"))';
        $browser->until('the page to ask for changes', static fn(): bool => $browser->run($asked) === true);
        $beside =
            'return [...document.querySelectorAll(".panel use")].slice(0, 10).filter((use) => { ' .
            'const box = use.getBoundingClientRect(), panel = use.parentNode, ' .
            'left = panel.querySelector(".heading text").getBoundingClientRect().left; ' .
            'const right = left + Number(panel.dataset.width); ' .
            'return box.width < 50 || box.left < left - 1 || box.right > right + 1; }).length';
        self::assertSame([24, 0], [$this->many('.panel use'), $browser->run($beside)]);
        $panel = $browser->find('.panel[data-key="tarrow"]');
        $browser->actions()->moveToElement($panel, 0, 30)->perform();
        $browser->until(
            'the same period in all',
            fn(): bool => $this->many('.panel .cursor') > 20 && $browser->find('#panel-place')->isDisplayed(),
        );
        self::assertMatchesRegularExpression('/^[A-Z][a-z]{2} 20\d\d$/', $browser->text('#panel-place'));
        $browser->click('[popovertarget=set-panels]')->choose('#set-panels-order', 'largest rise first');
        $browser->until(
            'the one that rose most to be first',
            static fn(): bool => $browser->attribute('.panel', 'data-key') === 'harrowfell',
        );
        $browser
            ->choose('#set-panels-by', 'month or quarter')
            ->until('a panel a month', fn(): bool => $this->many('.panel') === 12);
        $browser->see('.panels', 'Feb')->choose('#set-panels-by', 'measure')->see('.panels', 'Water supplied');
        $browser->choose('#set-panels-scale', 'separate')->see('#signals', 'different scales');
        // Years over each other, a panel each, is two choices.
        $browser->choose('#set-panels-by', 'line')->press(WebDriverKeys::ESCAPE);
        $browser
            ->click('[data-view=overlay]')
            ->until('dashes in One panel each', fn(): bool => $this->many('.panel path[stroke-dasharray]') >= 20);
        $browser->run('document.querySelector(".panels").focus()');
        $browser->press(WebDriverKeys::ARROW_RIGHT, WebDriverKeys::ARROW_DOWN);
        $browser->until(
            'a panel to be read out',
            static fn(): bool => str_contains($browser->property('#spoken', 'textContent'), ': '),
        );
    }

    public function testPartsAreStackedToAWholeAndWhatIsNoPartIsRefused(): void
    {
        $browser = $this->open('/studies/1');
        $browser
            ->click('[data-view=stack]')
            ->see('.headline', 'The largest three account for 29 % of the total in October 2025')
            ->see('.chart', 'Other (18)');
        $shares = $browser->run(
            'return [...document.querySelectorAll(".end-label tspan:last-child")].map((t) => ' .
                'parseFloat(t.textContent))',
        );
        self::assertIsArray($shares);
        self::assertEqualsWithDelta(100.0, array_sum(array_filter($shares, is_numeric(...))), 2.0);
        $browser
            ->click('[popovertarget=set-stack]')
            ->choose('#set-stack-form', '100 % areas')
            ->see('.subtitle', '% of total')
            ->see('.chart .value-axis', '100');
        $browser->choose('#set-stack-top', 'largest 2')->see('.chart', 'Other (22)');
        $this->open('/studies/3');
        $browser->click('[data-view=stack]')->see('#chart', 'cannot be summed');
    }

    public function testRowsOfSparksAreSortedAndOneOpensIntoLines(): void
    {
        $browser = $this->open('/studies/2');
        $browser->click('[data-view=sparks]')->see('.sparks', 'falling');
        // What a group comes to is a ratio of sums, not a sum of ratios: it is among its members.
        $estuary = (float) str_replace(',', '', $browser->text('.sparks .total td:nth-of-type(4)'));
        self::assertTrue($estuary > 2_338 && $estuary < 3_600, (string) $estuary);
        $browser
            ->click('.sparks th:nth-child(6) .sorter')
            ->see('.sparks th:nth-child(6)', '↑')
            ->see('.sparks tbody tr:nth-child(2)', 'Veldmere Water');
        $browser
            ->click('[popovertarget=set-sparks]')
            ->click('#set-sparks input[value=negative]')
            ->choose('#set-sparks-form', 'columns')
            ->until('columns', fn(): bool => $this->many('.sparks td.spark rect') > 200);
        // One row another way than the others.
        $browser
            ->press(WebDriverKeys::ESCAPE)
            ->click('.sparks tr[data-line=tarrow] .spark button')
            ->until(
                'ups and downs in one row',
                fn(): bool => $this->many('.sparks tr[data-line=tarrow] .spark rect') > 20 &&
                    count(
                        array_unique(
                            array_map(
                                static fn($r): string => (string) $r->getAttribute('height'),
                                $browser->web->findElements(
                                    WebDriverBy::cssSelector('.sparks tr[data-line=tarrow] .spark rect'),
                                ),
                            ),
                        ),
                    ) < 4,
            );
        $browser
            ->press(WebDriverKeys::ESCAPE)
            ->click('.sparks tr[data-line=dunmarsh] .opens')
            ->see('.chart', 'Dunmarsh');
        self::assertSame('true', $browser->attribute('#row-dunmarsh .pick', 'aria-pressed'));
    }

    public function testTwoMeasuresAreSetAgainstEachOtherEachWithItsOwnRail(): void
    {
        $browser = $this->open('/studies/2');
        $browser
            ->click('[data-view=scatter]')
            ->see('.headline', 'Leakage against')
            ->see('.words.subtitle', 'October 2025');
        $browser
            ->click('.which button:last-child')
            ->click('#stop-origin .name')
            ->choose('#origin-measure', 'Bursts')
            ->see('.headline', 'Leakage against bursts');
        $browser->press(WebDriverKeys::ESCAPE);
        // Lower is better of both: the lower left corner is the good one.
        self::assertSame(1, $this->many('.good-corner rect'));
        $browser
            ->see('.rail', 'bursts per 1,000,000 connections')
            ->click('.which button:first-child')
            ->see('#stop-origin', 'Leakage');
        $browser
            ->click('[popovertarget=set-scatter]')
            ->choose('#set-scatter-fits', 'one per group')
            ->see('.chart', 'Upland: y =');
        $browser->run(
            'const s = document.querySelector("#set-scatter-highY"); s.value = 4500; s.dispatchEvent(new ' .
                'Event("change", { bubbles: true }))',
        );
        $browser->see('.scatter-notes', 'Excluded: ')->see('.scatter-notes', 'with the excluded');
        $browser
            ->choose('#set-scatter-at', 'paths over time')
            ->until(
                'paths',
                static fn(): bool => $browser->number(
                    'document.querySelector(".series[data-line=tarrow] path").getAttribute("d").length',
                ) > 100,
            );
        $browser
            ->press(WebDriverKeys::ESCAPE)
            ->until(
                'the chart to have its room back',
                static fn(): bool => $browser->number('document.getElementById("chart").dataset.width') > 800,
            );
        $browser
            ->actions()
            ->moveToElement($browser->find('.series[data-line=veldmere-water] circle:last-of-type'))
            ->perform();
        $browser->see('#readout', 'Veldmere Water');
    }

    public function testLinesRunAcrossMeasuresGroupsAndThoseThatARuleFinds(): void
    {
        $browser = $this->open('/studies/3');
        $browser
            ->click('[popovertarget=set-rule]')
            ->choose('#set-rule-by', 'lowest')
            ->see('.chart', 'Millharrow')
            ->see('[popovertarget=set-rule]', ': on');
        $browser
            ->click('#set-rule .remedy')
            ->until(
                'the rule to be frozen',
                static fn(): bool => !str_contains($browser->text('[popovertarget=set-rule]'), ': on'),
            );
        self::assertSame('true', $browser->attribute('#row-millharrow .pick', 'aria-pressed'));
        $browser
            ->press(WebDriverKeys::ESCAPE)
            ->click('[popovertarget=set-lines]')
            ->click('#set-lines input[value=Upland]')
            ->see('#rows', 'Whole groups');
        $browser
            ->choose('#set-lines-across', 'measure of one entity')
            ->see('.chart', 'Water supplied')
            ->see('#rows', 'Energy');
        $browser->press(WebDriverKeys::ESCAPE)->run('document.querySelector(".chart").focus()');
        $browser->press(WebDriverKeys::END, WebDriverKeys::ENTER);
        $browser->see('#working', 'monthly.csv, row');
    }

    public function testTheAxisIsPulledAndItsLimitIsLetGoInAnotherView(): void
    {
        $browser = $this->open('/studies/3');
        $axis = $browser->find('.chart .value-axis text');
        $browser->actions()->moveToElement($axis)->clickAndHold()->moveByOffset(0, 40)->release()->perform();
        $browser->see('#signals', 'but values reach');
        $browser->click('[data-view=overlay]')->see('#signals', 'set in Lines')->see('#signals', 'are not used here');
        $browser
            ->click('[data-view=figures]')
            ->click('[popovertarget=set-figures]')
            ->choose('#set-figures-down', 'years of one line')
            ->see('.figures', 'Dec');
        $browser
            ->press(WebDriverKeys::ESCAPE)
            ->click('.figures th:nth-child(2) .sorter')
            ->see('.figures th:nth-child(2)', '↓');
        $first = $browser->text('.figures tbody tr td');
        self::assertSame(
            $first,
            $browser->run(
                'return Math.max(...[...document.querySelectorAll(".figures tbody tr td:nth-child(2)")].map((c) => ' .
                    'parseFloat(c.textContent)).filter((v) => v === v)).toFixed(1)',
            ),
        );
        $browser->press('v');
        $browser->until(
            'the next view',
            static fn(): bool => $browser->attribute('[data-view=lines]', 'aria-pressed') === 'true',
        );
    }

    /** From the tangle to a message in one go: who matters, made comparable, marked, said, and out of the door. */
    public function testFromTheTangleToAMessage(): void
    {
        $browser = $this->open('/studies/1');
        $browser->click('#row-veldmere-water .pick')->see('.headline', 'Veldmere Water: 150');
        foreach (
            ['Divide by measure' => '#stop-s1', 'Rolling' => '#stop-s2', 'Index to base' => '#stop-s3']
            as $title => $stop
        ) {
            $browser->press(WebDriverKeys::ESCAPE)->click('#stop-add .name');
            $browser->until('the list of calculations', fn(): bool => $this->many('#editor-add .all button') > 0);
            $browser->run(
                "[...document.querySelectorAll('#editor-add button')].find((b) => " .
                    "b.textContent.startsWith('{$title}')).click()",
            );
            $browser->until("{$title} on the rail", fn(): bool => $this->many($stop) === 1);
        }
        $browser
            ->press(WebDriverKeys::ESCAPE)
            ->click('[popovertarget=sentences]')
            ->see('#sentences', 'Veldmere Water has fallen by');
        $browser->run(
            "[...document.querySelectorAll('#sentences li')].find((li) => li.textContent.includes('has fallen by'))" .
                ".querySelector('summary').click()",
        );
        $browser->see('#sentences li:has(details[open])', 'then ');
        $browser->run(
            "[...document.querySelectorAll('#sentences .sentence')].find((b) => b.textContent.includes('has " .
                "fallen by')).click()",
        );
        $browser->see('.words.headline', 'Veldmere Water has fallen by');
        self::assertMatchesRegularExpression('/has fallen by \d+ % since \d{4}/', $browser->text('.words.headline'));
        $browser
            ->press(WebDriverKeys::ESCAPE)
            ->click('[popovertarget=set-marks]')
            ->choose('#set-marks-kind', 'shaded period');
        $browser
            ->write('#set-marks-at', '2022-06', false)
            ->write('#set-marks-to', '2022-09', false)
            ->write('#set-marks-text', 'dry summer');
        $browser->see('.chart', 'dry summer')->press(WebDriverKeys::ESCAPE);
        $browser
            ->click('[popovertarget=set-labels]')
            ->click('#set-labels input[value=highest]')
            ->until('the highest value written', fn(): bool => $this->many('.point-label') === 1);
        $browser
            ->press(WebDriverKeys::ESCAPE)
            ->click('[popovertarget=hand-over]')
            ->choose('#picture-size', 'slide')
            ->click('#hand-over button[data-hand-over]');
        $path = Browser::downloads() . '/the-tangle.png';
        $browser->until('the picture', static fn(): bool => is_file($path) && filesize($path) > 30_000);
        $picture = imagecreatefrompng($path);
        self::assertNotFalse($picture);
        self::assertSame([2560, 1440], [imagesx($picture), imagesy($picture)]);
        // The headline's name, and the label at the end of the line, in the first focus hue.
        $ember = static fn(int $left, int $top, int $right, int $bottom): int => self::inked($picture, [
            $left,
            $top,
            $right,
            $bottom,
        ]);
        self::assertGreaterThan(300, $ember(60, 40, 520, 120));
        self::assertGreaterThan(200, $ember(2100, 200, 2540, 1300));
        // The SVG as the browser draws it and the PNG that librsvg drew are the same picture, but for the edges of
        // letters.
        $browser
            ->click('[popovertarget=hand-over]')
            ->choose('#picture-size', 'slide')
            ->run(
                'const f = document.querySelector("#hand-over .hand-over"); ' .
                    'f.requestSubmit(f.querySelector("button[formaction*=svg]"))',
            );
        $svg = Browser::downloads() . '/the-tangle.svg';
        $browser->until('the SVG', static fn(): bool => is_file($svg) && filesize($svg) > 30_000);
        $browser->web->get("file://{$svg}");
        $drawn = imagecreatefromstring($browser->web->takeScreenshot());
        self::assertNotFalse($drawn);
        self::assertLessThan(0.012, self::difference($drawn, $picture, 1270, 700));
    }

    /**
     * A headline with its mark-up, which the editor completes: a phrase in the colour of a line, a number that stays
     * right.
     */
    public function testAHeadlineIsWrittenWithWhatTheEditorOffers(): void
    {
        $browser = $this->open('/studies/2');
        $browser->click('.words.headline .shown')->see('.mark-up', '*bold*');
        $keys = static fn(string ...$keys) => $browser->actions()->sendKeys(null, implode('', $keys))->perform();
        $keys('*Now* [half of it|');
        $browser->see('.words.headline .completions', 'Veldmere Water]');
        $keys(WebDriverKeys::ENTER, ', {val');
        $browser->until(
            'the number to be offered',
            static fn(): bool => str_contains($browser->text('.words.headline .completions'), '{value Veldmere Water}'),
        );
        $keys(WebDriverKeys::TAB, ' litres', WebDriverKeys::ENTER);
        $browser->see('.words.headline .shown .bold', 'Now')->see('.words.headline .shown .in-focus-1', 'half of it');
        self::assertSame('Now half of it, 2,337 litres', $browser->text('.words.headline .shown'));
        // Escape closes what is offered first, and then leaves the words as they were.
        $browser->click('.words.headline .shown');
        $keys('{cha');
        $browser->see('.words.headline .completions', '{change Veldmere Water since');
        $keys(WebDriverKeys::ESCAPE, WebDriverKeys::ESCAPE);
        $browser->see('.words.headline .shown', 'Now half of it, 2,337 litres');
        $browser->click('[data-history=undo]')->see('.words.headline .shown', 'Veldmere Water: ');
    }

    public function testAFileThatWasHandedOverIsReadFromDiskWithoutAskingAnybody(): void
    {
        $browser = $this->open('/studies/3');
        $browser->click('[popovertarget=hand-over]')->click('#hand-over input[name=base]');
        $browser->run('document.querySelector("#hand-over form[action$=html]").submit()');
        $path = Browser::downloads() . '/leakage-since-2019.html';
        $browser->until('the file', static fn(): bool => is_file($path) && filesize($path) > 500_000);
        $browser->web->get("file://{$path}");
        $browser->see('h1', 'Veldmere Water: 66')->choose('.choices select', '2021 = 100');
        $browser->see('article:not([hidden]) h1', 'Veldmere Water: 81');
        $browser->click('nav [data-line=tarrow]');
        self::assertSame(1, $this->many('article:not([hidden]) .series.lit[data-line=tarrow]'));
        $browser
            ->actions()
            ->moveToElement($browser->find('article:not([hidden]) .series[data-line=veldmere-water] circle'))
            ->perform();
        $browser->see('article:not([hidden]) .readout', 'Veldmere Water, October 2025');
        self::assertSame(
            0,
            $browser->number(
                'performance.getEntriesByType("resource").filter((entry) => !entry.name.startsWith("data:")).length',
            ),
        );
    }

    /** High and low with marks of their own, which move with the span, and which a reader switches off and on. */
    public function testPointsAreMarkedOnALineAndAReaderSwitchesThem(): void
    {
        $browser = $this->open('/studies/2');
        // A line without a name at its end has one while it is lit.
        $browser->actions()->moveToElement($browser->find('#row-marl-haven'))->perform();
        $browser->see('.chart .lit-name', 'Marl Haven');
        $browser->click('[popovertarget=set-style]');
        foreach (['highest', 'lowest'] as $n => $kind) {
            $browser->click("#set-style .at-{$kind} input")->until(
                "the {$kind} to be marked",
                fn(): bool => $this->many('.chart .point-mark') === $n + 1,
            );
        }
        $place = 'document.querySelector(".point-mark[data-kind=highest] path").getBoundingClientRect().x';
        $before = $browser->number($place);
        $browser->press(WebDriverKeys::ESCAPE);
        // From 2020 on another month is the highest.
        $browser->run('document.querySelector("#track [role=slider]").focus()');
        foreach (range(1, 4) as $_) {
            $browser->press(WebDriverKeys::PAGE_UP);
        }
        $browser->until('the highest to be another', static fn(): bool => $browser->number($place) !== $before);
        // A text size of its own is drawn once, and a link is followed while an editor is open.
        $browser->click('[popovertarget=set-style]')->choose('#set-text-size', 'Large');
        $this->settled();
        // Editors are fetched on the way, for long on a busy machine; a picture drawn over and over never rests.
        $fetched = static fn(): float => $browser->number('performance.getEntriesByType("resource").length');
        $browser->until('the page to rest', static function () use ($fetched): bool {
            $before = $fetched();
            usleep(1_500_000);

            return $fetched() === $before;
        });
        $browser->run('performance.clearResourceTimings()');
        usleep(2_500_000);
        self::assertLessThan(3, $browser->number('performance.getEntriesByType("resource").length'));
        $browser->click('a.mark')->see('.home', 'Import data');
        $file = (string) tempnam(sys_get_temp_dir(), 'dusk');
        $page = file_get_contents($this->application->url('/studies/2/hand-over/html'));
        file_put_contents("{$file}.html", (string) $page);
        $browser->web->get("file://{$file}.html");
        $browser->until('both marks', fn(): bool => $this->marksShown() === 2);
        $browser->click('[data-marks="highest lowest"]')->until('no marks', fn(): bool => $this->marksShown() === 0);
        $browser->click('[data-marks="highest lowest"]')->until('both marks', fn(): bool => $this->marksShown() === 2);
        $browser->click('nav [data-line=marl-haven]')->see('article:not([hidden]) .lit-name', 'Marl Haven');
        array_map(unlink(...), [$file, "{$file}.html"]);
    }

    private function marksShown(): int
    {
        return $this->browser->number(
            '[...document.querySelectorAll("article:not([hidden]) .point-mark")]' .
                '.filter((mark) => getComputedStyle(mark).display !== "none").length',
        );
    }

    public function testABriefLightsOneUpInAllPicturesAndIsPresented(): void
    {
        $browser = $this->open('/briefs/1');
        $browser->click('.go')->see('h1', 'Leakage on the Saltmarch Coast')->see('.brief-page', 'Made-up data');
        $browser->click('.brief-list [data-line=tarrow]');
        self::assertSame(3, $browser->number('document.querySelectorAll(".chart.has-lit").length'));
        self::assertSame('true', $browser->attribute('.brief-list [data-line=tarrow]', 'aria-pressed'));
        // In panels each line stays in its own.
        self::assertSame(
            'tarrow',
            $browser->run('return document.querySelector(".panel .series.lit").closest(".panel").dataset.line'),
        );
        $browser
            ->click('[data-present]')
            ->until('one study to fill the screen', fn(): bool => $this->many('.brief-study.now') === 1);
        $browser->press(WebDriverKeys::ARROW_RIGHT)->see('.brief-study.now', ': 2,337');
        $browser
            ->press(WebDriverKeys::ESCAPE)
            ->until('the page again', fn(): bool => $this->many('.brief-study.now') === 0);
    }

    /** How far two pictures are apart on average, 0 to 1; the second has twice the pixels. */
    private static function difference(\GdImage $one, \GdImage $two, int $width, int $height): float
    {
        $sum = 0;
        for ($y = 0; $y < $height; $y += 3) {
            for ($x = 0; $x < $width; $x += 3) {
                [$a, $b] = [imagecolorat($one, $x, $y), imagecolorat($two, 2 * $x, 2 * $y)];
                $sum +=
                    abs((($a >> 16) & 255) - (($b >> 16) & 255)) +
                    abs((($a >> 8) & 255) - (($b >> 8) & 255)) +
                    abs(($a & 255) - ($b & 255));
            }
        }

        return $sum / (3 * 255 * intdiv($width, 3) * intdiv($height, 3));
    }

    /** @param array{int, int, int, int} $box left, top, right and bottom */
    private static function inked(\GdImage $picture, array $box): int
    {
        $count = 0;
        for ($x = $box[0]; $x < $box[2]; $x += 2) {
            for ($y = $box[1]; $y < $box[3]; $y += 2) {
                $colour = imagecolorat($picture, $x, $y);
                $count += (($colour >> 16) & 255) > 160 && (($colour >> 8) & 255) < 110 && ($colour & 255) < 80 ? 1 : 0;
            }
        }

        return $count;
    }

    private function open(string $path): Browser
    {
        $this->browser->web->get($this->application->url($path));
        usleep(700_000);

        return $this->browser;
    }
}
