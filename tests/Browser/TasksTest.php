<?php

declare(strict_types=1);

namespace Tests\Browser;

use DateTimeImmutable;
use Facebook\WebDriver\Remote\RemoteWebElement;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;

/** Whole tasks through the real interface. */
final class TasksTest extends BrowserTestCase
{
    /**
     * A file of the user's own, from the data page to the picture: monthly leakage, yearly connections, per connection,
     * 12-month mean, 2019 = 100.
     */
    public function testFromAFileToAMessageAndOutOfTheDoor(): void
    {
        [$monthly, $yearly, $expected] = $this->figures();
        $browser = $this->browser;
        $browser->web->get($this->application->url('/'));
        $this->bring('.drop.new input[type=file]', $monthly);
        $browser->see('h1', 'Leakage of 3 utilities, January 2018 to December 2020');
        $browser->write('input[name=home]', 'Ashen', false);
        $browser->write('input[name=source]', 'Own returns, 2020');
        $browser->see('.words.subtitle', 'Leakage, Ml per month');

        $this->update($yearly);
        $browser->see('h1', '3 utilities, 2018 to 2020')->click('.confirm .go');
        $browser->click('.studies a')->see('.words.subtitle', 'Leakage, Ml per month');

        $this->add('Divide by measure');
        $browser->see('#stop-s1', '÷ connections')->see('#stop-s1', 'l per connection per month');
        $this->add('Rolling window');
        $browser->see('#stop-s2', '12-month mean');
        $this->add('Index to base');
        $browser->see('#stop-s3', '2019 = 100');
        $browser->press(WebDriverKeys::ESCAPE);
        $browser->see('.words.subtitle', 'Leakage per connection, 12-month mean, average of 2019 = 100');

        // The end label of the line in focus is what was calculated by hand.
        $browser->see('.end-label[data-line=ashen]', 'Ashen ' . number_format($expected, 0));
        self::assertSame('Peer median', mb_substr($this->label(''), 0, 11));

        $browser->click('.words.headline .shown');
        $browser->actions()->sendKeys(null, 'Ashen has halved its leakage' . WebDriverKeys::ENTER)->perform();
        $browser->see('.words.headline .in-focus-1', 'Ashen')->see('.words.headline', 'Ashen has halved its leakage');

        $browser->click('[popovertarget=hand-over]')->click('#hand-over button[data-hand-over]');
        $picture = Browser::downloads() . '/leakage.png';
        $browser->until('the picture', static fn(): bool => is_file($picture) && filesize($picture) > 20_000);
        $size = getimagesize($picture);
        self::assertIsArray($size);
        self::assertSame(2 * ($browser->number('document.getElementById("chart").dataset.width') + 60), $size[0]);
    }

    /** Where a town of 200 is in its own class, which two clicks choose, calculated here a second time. */
    public function testAPlaceIsInTheOwnClassOfTheOneThatIsCompared(): void
    {
        mt_srand(57);
        $rows = "Town,Class,Year,Spending (kr per person)\n";
        /** @var array<string, array<string, float>> $latest */
        $latest = [];
        foreach (range(1, 200) as $n) {
            $class = ['small', 'middle', 'large'][$n % 7 < 2 ? 1 : ($n % 7 < 5 ? 0 : 2)];
            foreach ([2022, 2023, 2024] as $year) {
                $value = mt_rand(20_000, 90_000) / 10;
                $rows .= "Town {$n},{$class},{$year},{$value}\n";
            }
            $latest[$class]["Town {$n}"] = $value;
        }
        $path = sys_get_temp_dir() . '/dusk-rail-towns-' . getmypid() . '.csv';
        file_put_contents($path, $rows);
        $browser = $this->browser;
        $browser->web->get($this->application->url('/'));
        $this->bring('.drop.new input[type=file]', $path);
        unlink($path);
        $browser->see('h1', 'towns')->click('#confirm .button')->see('#workspace', 'Spending');
        $this->settled();
        $town = 'Town 1';
        // The first town is in the first class that is listed.
        $class = (string) array_key_first($latest);
        $browser->see('.headline', $town);
        // The class was read as the group, and its heading is the set.
        $browser->run(
            "[...document.querySelectorAll('.rows h2 .group')].find((b) => b.innerText === '{$class}').click()",
        );
        $of = count($latest[$class]);
        $browser->see('.compared', "in {$class}");
        $higher = count(array_filter($latest[$class], static fn(float $v): bool => $v > $latest[$class][$town]));
        $browser->click('[popovertarget=peer-comparison]')->see('#peer-comparison', 'of ' . $of);
        $place = $browser->run(
            "return document.querySelector('#peer-comparison tbody td:nth-child(3)').textContent.trim()",
        );
        self::assertSame($higher + 1 . " of {$of}", $place);
    }

    /**
     * Each county's own rate fell, and the rate of all rose since people moved to the county with the high one: who has
     * the file reads that in seven actions, and takes the same apart by counties of known shares.
     */
    public function testWhoAccountsForAChangeIsReadFromAFile(): void
    {
        $rows = "County,Year,Accidents,People\n";
        foreach (
            ['Nearby' => [900, 90_000, 450, 50_000], 'Farther' => [500, 10_000, 2400, 50_000], 'Tiny' => [1, 50, 1, 60]]
            as $name => [$first, $people, $last, $after]
        ) {
            $rows .= "{$name},2014,{$first},{$people}\n{$name},2024,{$last},{$after}\n";
        }
        $path = Browser::downloads() . '/counties.csv';
        file_put_contents($path, $rows);
        $browser = $this->browser;
        $browser->web->get($this->application->url('/'));
        $this->bring('.drop.new input[type=file]', $path);
        unlink($path);
        $browser->see('h1', 'counties')->click('.confirm .go')->see('.words.subtitle', 'Accidents');
        $browser->click('[data-view=contributions], [hx-vals*="contributions"]');
        // Accidents rose by 1,450: 1,900 more in Farther, 450 fewer in Nearby.
        $browser->see('.words.headline', 'Farther accounts for more than all of the rise');
        $browser->see('#chart', '+1,900')->see('#chart', '−450')->see('#chart', '(+1,450)');
        $this->add('Divide by measure');
        $browser->press(WebDriverKeys::ESCAPE);
        $browser->see('.words.headline', 'All of the rise is mix: the rate rose in none of the 3');
        $browser->see('.words.subtitle', 'ratio of sums of 3, from 2014 to 2024');
    }

    /**
     * All seven depots jumped in June 2019, and Home has fallen by 0.5 a month since January 2021: who has the file
     * reads the latter in five actions.
     */
    public function testSinceWhenIsReadFromAFile(): void
    {
        mt_srand(5);
        $rows = "Depot,Month,Cost per stop\n";
        foreach (['Home', 'Ash', 'Birch', 'Cedar', 'Elm', 'Fir', 'Oak'] as $name) {
            for ($i = 0; $i < 96; $i++) {
                $noise = (mt_rand(0, 1000) + mt_rand(0, 1000) + mt_rand(0, 1000) - 1500) / 500;
                $own = $name === 'Home' ? -0.5 * max(0, $i - 48) : 0.0;
                $value = 80 + 4 * sin((2 * M_PI * $i) / 12) + ($i >= 29 ? 12 : 0) + $own + $noise;
                $rows .= sprintf("%s,%d-%02d,%.2f\n", $name, 2017 + intdiv($i, 12), 1 + ($i % 12), $value);
            }
        }
        $path = Browser::downloads() . '/depots.csv';
        file_put_contents($path, $rows);
        $browser = $this->browser;
        $browser->web->get($this->application->url('/'));
        $this->bring('.drop.new input[type=file]', $path);
        unlink($path);
        $browser->see('h1', 'depots')->click('.confirm .go')->see('.words.subtitle', 'Cost per stop');
        $browser->see('.words.headline', 'Home');
        $browser->click('[popovertarget=sentences]');
        $browser->see('#sentences', 'Home has been falling by');
        $said = $browser->text('#sentences');
        self::assertMatchesRegularExpression(
            '/falling by 0\.[45]\d a month since (Nov|Dec|Jan|Feb|Mar)\w+ 202[01] \(/u',
            $said,
        );
        $browser->press(WebDriverKeys::ESCAPE);
        $browser->click('[popovertarget=set-turns]')->choose('#set-turns-turns', 'shown');
        $browser->see('.words.subtitle', 'turns, shaded: 95 % interval')->see('#chart', 'turns in');
        self::assertStringNotContainsString('June 2019', $browser->text('#chart'));
    }

    /**
     * Three depots whose ways are known: Ash falls by 0.5 a month and gets to 45 well before June 2026, Birch stays at
     * 80 and does not, Home has fallen by 0.37 a month since it turned.
     */
    /** Twelve courts, five of them online since March 2022: the answer in six actions after the file is read. */
    public function testWhatAMeasureDidIsReadFromAFile(): void
    {
        mt_srand(12);
        $rows = "Court,Month,Days to judgment,Filing\n";
        for ($court = 0; $court < 12; $court++) {
            $isOnline = $court < 5;
            for ($i = 0; $i < 96; $i++) {
                $noise = (mt_rand(0, 1000) + mt_rand(0, 1000) + mt_rand(0, 1000) - 1500) / 250;
                // All fall by 7 % from then on, those online by 19.
                $factor = $i < 50 ? 1.0 : ($isOnline ? 0.81 : 0.93);
                $value = (80 + 8 * $court + 6 * sin((2 * M_PI * $i) / 12)) * $factor + $noise;
                $rows .= sprintf(
                    "Court %s,%d-%02d,%.1f,%s\n",
                    chr(65 + $court),
                    2018 + intdiv($i, 12),
                    1 + ($i % 12),
                    $value,
                    $isOnline ? 'online' : 'paper',
                );
            }
        }
        $path = Browser::downloads() . '/courts.csv';
        file_put_contents($path, $rows);
        $browser = $this->browser;
        $browser->web->get($this->application->url('/'));
        $this->bring('.drop.new input[type=file]', $path);
        unlink($path);
        $browser->see('h1', '12 courts')->click('.confirm .go')->see('.words.subtitle', 'Days to judgment');
        $browser->click('[data-view=before-after]')->see('#workspace', 'Nothing says when the event was');
        $browser->click('[popovertarget=set-event]')->write('#set-event-event', '2022-03');
        $offered = $browser->find('#set-event-with')->getText();
        self::assertStringContainsString('online', $offered);
        $browser->choose('#set-event-with', 'online');
        $browser->see('.words.headline', 'online −19')->see('.words.headline', 'the others −7');
        self::assertMatchesRegularExpression(
            '/a difference of −1[12]\.\d points \(−1\d\.\d to −1[01]\.\d\)/u',
            $browser->text('.words.headline'),
        );
        $browser->see('#chart', 'of 791 other choices of 5 lines differ as much');
    }

    public function testWhoGetsToATargetIsReadFromAFile(): void
    {
        mt_srand(6);
        $rows = "Depot,Month,Cost per stop\n";
        foreach (['Home' => [90.0, 36, -0.37], 'Ash' => [80.0, 0, -0.5], 'Birch' => [80.0, 0, 0.0]] as $name => $own) {
            for ($i = 0; $i < 96; $i++) {
                $noise = (mt_rand(0, 1000) + mt_rand(0, 1000) + mt_rand(0, 1000) - 1500) / 500;
                $value = $own[0] + $own[2] * max(0, $i - $own[1]) + 3 * sin((2 * M_PI * $i) / 12) + $noise;
                $rows .= sprintf("%s,%d-%02d,%.2f\n", $name, 2017 + intdiv($i, 12), 1 + ($i % 12), $value);
            }
        }
        $path = Browser::downloads() . '/ways.csv';
        file_put_contents($path, $rows);
        $browser = $this->browser;
        $browser->web->get($this->application->url('/'));
        $this->bring('.drop.new input[type=file]', $path);
        unlink($path);
        $browser->see('h1', '3 depots')->click('.confirm .go')->see('.words.subtitle', 'Cost per stop');
        $browser->click('[popovertarget=set-peers]')->write('#set-peers-target', '45 by June 2026');
        $browser->see('#chart', 'target 45')->press(WebDriverKeys::ESCAPE);
        $browser->click('[popovertarget=set-projection]')->choose('#set-projection-projection', 'shown');
        $browser->see('.words.subtitle', 'dashed: projection')->see('#chart', 'in Jun 2026');
        $browser->press(WebDriverKeys::ESCAPE);
        $browser->click('[popovertarget=sentences]');
        $browser->see('#sentences', '1 of 3 is on course for the target by June 2026');
        $browser->press(WebDriverKeys::ESCAPE);
        $browser->click('[popovertarget=peer-comparison]')->see('#peer-comparison', 'Pace needed');
        self::assertMatchesRegularExpression('/−0\.[34]\d* a month/u', $browser->text('#peer-comparison'));
        $browser->press(WebDriverKeys::ESCAPE);
        $browser->click('[data-view=sparks]');
        $browser->see('#figures', 'Target');
        $said = preg_replace('/\s+/', ' ', $browser->text('#figures'));
        self::assertMatchesRegularExpression('/Ash .*on course.* Birch .*off course/', (string) $said);
    }

    /** Someone who has never seen the program, with a file of her own, follows what it proposes. */
    public function testANewcomerComesFromHerFileToAnImageInTwelveActions(): void
    {
        $browser = $this->browser;
        $rows = "Utility,Month,Leakage (Ml)\n";
        foreach (['Ashen' => 40, 'Birchen' => 95, 'Cedar' => 160] as $name => $size) {
            for ($i = 0; $i < 48; $i++) {
                $value = $size * (1 + 0.15 * sin((2 * M_PI * $i) / 12) - ($name === 'Ashen' ? 0.008 * $i : 0.0));
                $rows .= sprintf("%s,%d-%02d,%.1f\n", $name, 2020 + intdiv($i, 12), 1 + ($i % 12), $value);
            }
        }
        $path = Browser::downloads() . '/own.csv';
        file_put_contents($path, $rows);
        $actions = 0;
        $click = static function (string $selector) use ($browser, &$actions): void {
            $browser->click($selector);
            $actions++;
        };
        $browser->web->get($this->application->url('/'));
        $this->bring('.drop.new input[type=file]', $path);
        $actions++;
        $browser->see('h1', 'Leakage of 3 utilities');
        $click('.confirm .go');
        $browser->see('.proposals', '12-month mean');
        $click('.proposals .fit');
        $browser->see('#stop-s1', '12-month mean');
        $click('#stop-add > .name');
        $browser->see('#editor-add', 'Fits next')->see('#editor-add .fit', '= 100');
        $click('#editor-add .fit');
        $browser->see('.words.subtitle', '= 100');
        $click('[popovertarget=sentences]');
        $browser->see('#sentences', 'Ashen has fallen by');
        $click('#sentences li:first-child .sentence');
        $browser->see('.words.headline', 'Ashen');
        $click('[popovertarget=hand-over]');
        $click('#hand-over button[data-hand-over]');
        $image = Browser::downloads() . '/leakage.png';
        $browser->until('the image', static fn(): bool => is_file($image) && filesize($image) > 20_000);
        unlink($image);
        self::assertLessThanOrEqual(12, $actions);
    }

    /** Someone who is faster than the server loses nothing: each edit begins where the one before has led. */
    public function testEditsThatAreMadeFasterThanTheyAreAnsweredAllCount(): void
    {
        $browser = $this->browser;
        $this->open('/studies/2');
        $browser
            ->click('.compared')
            ->until(
                'the editor',
                static fn(): bool => $browser->run('return document.querySelector("#set-peers-band") !== null') ===
                    true,
            );
        $browser->run(
            'const edits = [["line", "mean"], ["line", "none"], ["band", "range"], ["line", "mean"],' .
                '["band", "none"]];' .
                'edits.forEach(([field, value], n) => setTimeout(() => {' .
                'const s = document.getElementById(`set-peers-${field}`); s.value = value;' .
                's.dispatchEvent(new Event("change", { bubbles: true })); window.made = n + 1; }, 25 * n));',
        );
        $browser->until(
            'the edits to be answered',
            static fn(): bool => $browser->run(
                'return window.made === 5 && document.querySelectorAll(".htmx-request").length === 0',
            ) === true,
        );
        usleep(300_000);
        self::assertSame(
            ['mean', 'none', ''],
            $browser->run(
                'return [...["line", "band"].map((f) => document.getElementById(`set-peers-${f}`).value), ' .
                    'document.getElementById("message").textContent.trim()]',
            ),
        );
    }

    /** On a telephone a finger reads a value; a second tap on the same line keeps it. */
    public function testATapReadsAValueAndASecondOneKeepsTheLine(): void
    {
        $browser = $this->browser;
        $size = ['width' => 390, 'height' => 844, 'deviceScaleFactor' => 1, 'mobile' => true];
        $this->tell('Emulation.setDeviceMetricsOverride', $size);
        $this->tell('Emulation.setTouchEmulationEnabled', ['enabled' => true]);
        $this->open('/studies/1');
        $browser->run('document.querySelector("#chart").scrollIntoView({ block: "center" })');
        usleep(300_000);
        $place = $browser->run(
            'const box = document.querySelector("#chart .chart").getBoundingClientRect();' .
                'return { x: box.left + box.width / 2, y: box.top + box.height / 3 };',
        );
        $tap = function () use ($place): void {
            $this->tell('Input.dispatchTouchEvent', ['type' => 'touchStart', 'touchPoints' => [$place]]);
            $this->tell('Input.dispatchTouchEvent', ['type' => 'touchEnd', 'touchPoints' => []]);
        };
        $tap();
        $browser->until('the readout', static fn(): bool => $browser->find('#readout')->isDisplayed());
        self::assertMatchesRegularExpression('/, \w+ 20\d\d\s+[\d.,]+ Ml/', $browser->text('#readout'));
        self::assertSame(0, $this->many('.series:not([data-hue="0"])'));
        $tap();
        $browser->until('a line in focus', fn(): bool => $this->many('.series:not([data-hue="0"])') === 1);
    }

    /** @param array<string, mixed> $parameters */
    private function tell(string $command, array $parameters): void
    {
        $this->browser->web->executeCustomCommand('/session/:sessionId/goog/cdp/execute', 'POST', [
            'cmd' => $command,
            'params' => $parameters,
        ]);
    }

    /** Of two windows on one study, the one that is behind says so by itself, and neither loses what the other did. */
    public function testAWindowThatIsBehindSaysSoAndLosesNothing(): void
    {
        $browser = $this->browser;
        $browser->web->get($this->application->url('/studies/2'));
        $name = $browser->property('.rename input.title', 'value');
        $one = $browser->web->getWindowHandle();
        $browser->web->switchTo()->newWindow();
        $browser->web->get($this->application->url('/studies/2'));
        $browser->write('.rename input.title', 'Seen from the other window');
        $browser->see('[data-history=undo]', 'Undo');
        $browser->web->close();
        $browser->web->switchTo()->window($one);
        $browser->see('#elsewhere', 'Changed in another window')->click('#elsewhere button');
        $browser->until(
            'the name that the other window gave',
            static fn(): bool => $browser->property('.rename input.title', 'value') === 'Seen from the other window',
        );
        $browser->write('.rename input.title', $name);
        $browser->until(
            'the name of before',
            fn(): bool => str_contains((string) file_get_contents($this->application->url('/studies/2')), $name),
        );
    }

    /**
     * A label that was dragged stays at its point, and a name at its end, when next month's file comes; a key puts it
     * back.
     */
    public function testALabelIsDraggedAndStaysWhenAMonthComes(): void
    {
        $browser = $this->browser;
        $browser->web->get($this->application->url('/'));
        $rows = static function (int ...$months): string {
            $rows = "Utility,Month,Leakage (Ml)\n";
            foreach ($months as $month) {
                $rows .= sprintf(
                    "Ashen,2024-%1\$02d,%2\$d\nBirchen,2024-%1\$02d,20\n",
                    $month,
                    40 + 5 * abs(6 - $month),
                );
            }

            return $rows;
        };
        $folder = Browser::downloads();
        file_put_contents("{$folder}/losses.csv", $rows(...range(1, 9)));
        file_put_contents("{$folder}/october.csv", $rows(10));
        $this->bring('.drop.new input[type=file]', "{$folder}/losses.csv");
        $browser
            ->see('h1', 'of 2 utilities')
            ->write('input[name=home]', 'Ashen', false)
            ->click('.confirm .go')
            ->see('.words.subtitle', 'Leakage');
        $browser->click('[popovertarget=set-labels]')->click('#set-labels input[value=lowest]');
        $browser->see('.point-label', '40');
        $browser->press(WebDriverKeys::ESCAPE);
        $this->settled();
        foreach (['.point-label' => [60, 40], '.end-label[data-line=ashen]' => [-150, 60]] as $label => [$dx, $dy]) {
            $before = $this->labelPlace($label);
            $browser
                ->actions()
                ->clickAndHold($browser->find("{$label} text"))
                ->moveByOffset($dx, $dy)
                ->release()
                ->perform();
            $browser->until(
                'the label to be moved',
                fn(): bool => abs($this->labelPlace($label)[0] - $before[0] - $dx) < 2 &&
                    abs($this->labelPlace($label)[1] - $before[1] - $dy) < 2,
            );
        }
        $moved = [
            '.point-label' => $this->labelPlace('.point-label'),
            '.end-label[data-line=ashen]' => $this->labelPlace('.end-label[data-line=ashen]'),
        ];
        $place = (string) parse_url($browser->web->getCurrentURL(), PHP_URL_PATH);

        $this->update("{$folder}/october.csv");
        $browser->see('h1', 'of 2 utilities')->click('.confirm .go');
        $browser->click('.studies a')->see('.words.subtitle', 'Leakage');
        self::assertSame($place, (string) parse_url($browser->web->getCurrentURL(), PHP_URL_PATH));
        $browser->see('.end-label[data-line=ashen]', 'Ashen 60');
        $this->settled();
        // From the same point by the same way, though the point itself has moved; the name goes with the new end.
        foreach ($moved as $label => [, , $fromX, $fromY]) {
            self::assertEqualsWithDelta([$fromX, $fromY], array_slice($this->labelPlace($label), 2), 0.2, $label);
        }
        self::assertSame('9', $browser->attribute('.end-label[data-line=ashen]', 'data-position'));
        $browser->run('document.querySelector(".chart").focus()');
        $browser->press(WebDriverKeys::END)->see('#readout', 'October 2024')->press(WebDriverKeys::BACKSPACE);
        $browser->until('the name to be back', fn(): bool => $this->labelPlace('.end-label[data-line=ashen]')[2] > 15);
    }

    /** @return array{float, float, float, float} where a label's words begin, and how far that is from its point */
    private function labelPlace(string $label): array
    {
        $found = $this->browser->run(
            "const d = document.querySelector('{$label}').dataset; return [d.x, d.y, d.x - d.atX, d.y - " .
                'd.atY].map(Number)',
        );
        assert(is_array($found));
        [$x, $y, $fromX, $fromY] = array_map(static fn(mixed $v): float => is_numeric($v) ? (float) $v : NAN, $found);

        return [$x, $y, $fromX, $fromY];
    }

    /**
     * Everything the Forum has, as one data set through the interface; then next month's file, and the last dot moves.
     */
    public function testSevenFilesBecomeOneDataSetAndNextMonthMovesTheLastDot(): void
    {
        $browser = $this->browser;
        $files = dirname(__DIR__, 2) . '/database/demo/files';
        $browser->web->get($this->application->url('/'));
        $this->bring('.drop.new input[type=file]', "{$files}/monthly.csv");
        $browser
            ->see('h1', '5 measures of 24 utilities, January 2016 to October 2025')
            ->write('input[name=home]', 'Veldmere Water', false)
            ->click('.confirm .go')
            ->see('.words.subtitle', 'Ml per month');
        $study = (string) parse_url($browser->web->getCurrentURL(), PHP_URL_PATH);
        foreach (
            [
                'utilities.csv' => ['24 entities with their attributes', null],
                'annual.csv' => ['5 measures of 24 utilities, 2016 to 2025', null],
                'price-index.csv' => ['General price index', null],
                'daily-veldmere.csv' => ['1 January 2019 to 31 October 2025', ['measureName' => 'Water into supply']],
                'months-by-year.csv' => ['Bursts of', ['entityName' => 'Veldmere Water']],
                'repairs.csv' => ['3 measures of 3 utilities', null],
            ] as $file => [$seen, $named]
        ) {
            $this->update("{$files}/{$file}");
            $browser->see('#understanding', $seen);
            foreach ($named ?? [] as $field => $text) {
                $browser->until(
                    $field,
                    static fn(): bool => $browser->run(
                        "return document.querySelector('input[name={$field}]') !== null",
                    ) === true,
                );
                $browser->write("input[name={$field}]", $text);
                $browser->until(
                    "{$field} to be kept",
                    static fn(): bool => $browser->property("input[name={$field}]", 'defaultValue') === $text,
                );
            }
            $browser->click('.confirm .go')->see('.studies', 'Water supplied');
        }
        $browser->web->get($this->application->url('/'));
        $browser->see('#datasets tbody tr:first-child', 'version 7')->click('#datasets tbody tr:first-child th a');
        $browser->see('.versions', 'price-index.csv')->see('h1', 'Monthly');
        self::assertSame('Distinct job', $browser->property('input[value="Distinct job"]', 'value'));

        $browser->web->get($this->application->url($study));
        $this->settled();
        $before = $browser->number('document.querySelector(".chart").dataset.to');
        $month =
            "Utility,Measure,Unit,Month,Value\nVeldmere Water Co.,Water " .
            "supplied,Ml,2025-11,700\nTarrow,Water " .
            "supplied,Ml,2025-11,400\n";
        file_put_contents(Browser::downloads() . '/november.csv', $month);
        $browser->click('.crumb')->see('h2', 'Details');
        $this->bring('.one-dataset .drop input[type=file]', Browser::downloads() . '/november.csv');
        // The name that is almost right is asked about, and what would change is shown.
        $browser
            ->see('#understanding', 'Use Veldmere Water')
            ->click('.strangers .button')
            ->see('#understanding', '2 new')
            ->click('.confirm .go');
        $browser->see('h1', 'Version 8')->click('.studies a');
        $browser->see('.words.subtitle', 'Ml per month')->see('.pin', 'v8');
        $this->settled();
        self::assertSame($before + 1, $browser->number('document.querySelector(".chart").dataset.to'));
    }

    public function testAnEditIsUndoneAfterTheServerWasKilledAndStartedAgain(): void
    {
        $browser = $this->browser;
        $this->open('/studies/3');
        $browser->see('#stop-s3', '2019 = 100');
        $browser->click('#stop-s3 .name')->write('#s3-base', '2021');
        $browser->see('#stop-s3 b', '2021 = 100')->press(WebDriverKeys::ESCAPE);
        // Neither the page nor a list loses its place over an edit.
        $browser->run('document.documentElement.dataset.kept = "yes"; document.getElementById("rows").scrollTop = 60');
        // The name of a line that is pointed at is in the chart before the edit is; the label at its end comes with it.
        $browser->click('#row-tarrow .pick')->see('.end-label[data-line=tarrow]', 'Tarrow');
        self::assertSame(
            [60, 'yes'],
            $browser->run('return [document.getElementById("rows").scrollTop, document.documentElement.dataset.kept]'),
        );
        $this->application->restart();
        // What was under way when it was killed may be complained of.
        $browser->complaints();
        $browser->web->navigate()->refresh();
        $browser->see('#stop-s3 b', '2021 = 100')->see('.row.f.in-focus-2', 'Tarrow');
        $browser->click('[data-history=undo]');
        $browser->until(
            'Tarrow to be let go',
            static fn(): bool => count($browser->web->findElements(WebDriverBy::cssSelector('.row.f'))) === 1,
        );
        $browser->click('[data-history=undo]')->see('#stop-s3 b', '2019 = 100');
        $browser->chord(WebDriverKeys::CONTROL, 'y');
        $browser->see('#stop-s3 b', '2021 = 100');
    }

    public function testFocusPeerAndOffByKeysAloneAndLightBothWays(): void
    {
        $browser = $this->browser;
        $this->open('/studies/3');
        $browser->until('the chart', static fn(): bool => $browser->find('.chart')->isDisplayed());
        $browser->press('/');
        $browser->actions()->sendKeys(null, 'harr')->perform();
        $browser->until('one name to be left', fn(): bool => count($this->shown()) === 2);
        $browser->press(WebDriverKeys::ARROW_DOWN, WebDriverKeys::ARROW_DOWN);
        $browser->until(
            'its line to light up',
            static fn(): bool => $browser->attribute('.series.lit', 'data-line') === 'harrowfell',
        );
        $browser->press(WebDriverKeys::ENTER);
        $browser->until(
            'the line to be in focus',
            static fn(): bool => $browser->attribute('.series[data-line=harrowfell]', 'data-hue') === '2',
        );
        // The caret stays where it was, in a list that was drawn again.
        self::assertTrue($browser->run('return document.activeElement.matches("#rows .pick")'));
        $browser->press('o');
        $browser->until(
            'the line to be off',
            static fn(): bool => $browser->web->findElements(
                WebDriverBy::cssSelector('.series[data-line=harrowfell]'),
            ) === [],
        );

        // From the chart to the roster: the lowest line at its end is Veldmere's.
        $browser->find('#find')->clear();
        $browser->run('document.querySelector(".chart").focus()');
        $browser->press(WebDriverKeys::END);
        $browser->until('the readout', static fn(): bool => $browser->find('#readout')->isDisplayed());
        $browser->see('#readout', 'Veldmere Water, October 2025')->see('#readout', 'lowest of');
        self::assertSame('veldmere-water', $browser->attribute('.row.lit', 'data-line'));
        $browser->press(WebDriverKeys::ARROW_LEFT);
        $browser->see('#readout', 'September 2025')->see('#spoken', 'Veldmere Water, September 2025');

        // A click on empty space lets go.
        $size = $browser->find('.chart')->getSize();
        $browser
            ->actions()
            ->moveToElement(
                $browser->find('.chart'),
                40 - intdiv($size->getWidth(), 2),
                intdiv($size->getHeight(), 2) - 60,
            )
            ->click()
            ->perform();
        $browser->until(
            'nothing to be in focus',
            static fn(): bool => $browser->web->findElements(WebDriverBy::cssSelector('.row.f')) === [],
        );
    }

    public function testTheChartFollowsWhileTheTrackIsDraggedAndTheStudyOnceItIsDropped(): void
    {
        $browser = $this->browser;
        $this->open('/studies/3');
        $browser->until(
            'the track to be ready',
            static fn(): bool => $browser->attribute('.track-from', 'role') === 'slider',
        );
        usleep(400_000);
        $step = (float) $browser->attribute('#track svg', 'data-step');
        $browser
            ->actions()
            ->clickAndHold($browser->find('.track-from'))
            ->moveByOffset((int) round($step * 24), 0)
            ->perform();
        $browser->until(
            'the chart to begin in 2018',
            static fn(): bool => $browser->attribute('.chart', 'data-from') === '24',
        );
        self::assertSame('0', $browser->attribute('.track-from', 'data-position'));
        $browser->actions()->release()->perform();
        $browser->until(
            'the study to begin in 2018',
            static fn(): bool => $browser->attribute('.track-from', 'data-position') === '24',
        );

        $browser
            ->actions()
            ->clickAndHold($browser->find('.track-base rect'))
            ->moveByOffset((int) round($step * 25), 0)
            ->release()
            ->perform();
        $browser->see('#stop-s3 b', '2021 = 100')->see('.chart .base-label', 'base 2021');
        $browser->click('[data-history=undo]')->click('[data-history=undo]');
        $browser->until(
            'all of the time again',
            static fn(): bool => $browser->attribute('.track-from', 'data-position') === '0',
        );
    }

    /** From the tangle to a message without a pointer: focus, three stops, the base, the headline. */
    public function testAMessageIsMadeOfTheTangleByKeysAlone(): void
    {
        $browser = $this->browser;
        $this->open('/studies/1');
        $browser->press('/', 'veldm', WebDriverKeys::ARROW_DOWN, WebDriverKeys::ENTER);
        $browser->see('.row.f', 'Veldmere Water');
        $stops = [['per-denominator', '÷ people'], ['rolling', '12-month mean'], ['index', '= 100']];
        foreach ($stops as $n => [$stop, $label]) {
            $browser->press(WebDriverKeys::ESCAPE);
            $this->tabTo('#stop-add > .name');
            $browser
                ->press(WebDriverKeys::ENTER)
                ->until('the list of stops', static fn(): bool => $browser->find('#editor-add .all')->isDisplayed());
            $this->tabTo("#editor-add .all button[hx-vals*='{$stop}']");
            $browser->press(WebDriverKeys::ENTER)->see('#stop-s' . ($n + 1), $label);
        }
        $browser->press(WebDriverKeys::ESCAPE);
        $this->settled();
        // The base is a year, and goes from year to year.
        $this->tabTo('#track .track-base');
        $browser->press(WebDriverKeys::ARROW_RIGHT)->see('#stop-s3', '2018 = 100');
        $browser->press(WebDriverKeys::ARROW_RIGHT)->see('#stop-s3', '2019 = 100');
        self::assertSame('Base', $browser->run('return document.activeElement.getAttribute("aria-label")'));
        $this->tabTo('.words.headline .shown');
        $browser->press(WebDriverKeys::ENTER, '{rank Veldmere} in leakage', WebDriverKeys::ENTER);
        $browser->see('.words.headline .shown', '1st of 23 in leakage');
        $browser->see('.words.subtitle', 'average of 2019 = 100');
        // What is removed takes the keyboard to what is next, and it is said.
        $this->tabTo('#stop-s3 > .name');
        $browser->press(WebDriverKeys::ENTER);
        $remove = '.editor:popover-open [hx-vals*="remove-stop"]';
        $browser->until('the button', fn(): bool => $this->many($remove) === 1);
        $this->tabTo($remove);
        $browser->press(WebDriverKeys::ENTER);
        $browser->until('two stops', fn(): bool => $this->many('#stop-s3') === 0);
        $browser->until('the keyboard to be somewhere', static fn(): bool => $browser->run(
            'return document.activeElement.closest("#stop-add") !== null',
        ) === true);
        self::assertStringContainsString('Remove', $browser->property('#changed', 'textContent'));
    }

    /** Goes by the tab key until something has the keyboard. */
    private function tabTo(string $selector): void
    {
        for ($n = 0; $n < 250; $n++) {
            $is = $this->browser->run(
                'return document.activeElement?.matches(' . json_encode($selector) . ') === true',
            );
            if ($is === true) {
                return;
            }
            $this->browser->press(WebDriverKeys::TAB);
        }
        self::fail("The tab key does not lead to {$selector}.");
    }

    /** Six stops by hand, then the working of the last point: the printed numbers come to the plotted value. */
    public function testTheWorkingOfAPointOnARailOfSixStops(): void
    {
        $browser = $this->browser;
        $this->open('/studies/1');
        $browser->click('#row-veldmere-water .pick');
        foreach (
            [
                'Per day' => 'per day',
                'Divide by measure' => '÷ people served',
                'Rolling window' => '12-month mean',
                'Index to base' => '2017 = 100',
                'Difference or ratio' => 'peer median',
                'Change' => 'change on a year earlier',
            ] as $title => $label
        ) {
            $this->add($title);
            $browser->until(
                "{$title} on the rail",
                static fn(): bool => str_contains($browser->text('.rail ol'), $label),
            );
        }
        $browser->press(WebDriverKeys::ESCAPE);
        $this->settled();
        $browser->run('document.querySelector(".chart").focus()');
        $browser->press(WebDriverKeys::END);
        $browser->see('#readout', 'Veldmere Water, October 2025');
        $shown = $browser->text('#readout span');
        $browser->press(WebDriverKeys::ENTER);
        $browser
            ->see('#working', 'Veldmere Water, October 2025')
            ->see('#working', 'monthly.csv, row 588, column 5')
            ->see('#working', 'People served, 2024: annual.csv, row ');
        $lines = explode("\n", $browser->property('#working .as-text', 'value'));
        $step = static fn(string $start): string => array_values(
            array_filter($lines, static fn(string $l): bool => str_starts_with($l, $start)),
        )[0] ?? '';
        $numbers = static function (string $text): array {
            preg_match_all('/(?<![\w.])−?\d[\d,]*(?:\.\d+)?/u', $text, $found);

            return array_map(static fn(string $n): float => (float) str_replace([',', '−'], ['', '-'], $n), $found[0]);
        };

        [$leak] = $numbers($step('Leakage: '));
        [$flow, $days, $daily] = $numbers($step('per day: '));
        self::assertSame([$leak, 31.0], [$flow, $days]);
        self::assertEqualsWithDelta($leak / 31, $daily, 1e-5);
        [$divided, $people, , $times, $each] = $numbers($step('÷ people served: '));
        self::assertEqualsWithDelta($daily, $divided, 1e-9);
        self::assertEqualsWithDelta(($divided / $people) * $times, $each, 1e-3);
        $isInput = static fn(string $l): bool => preg_match('/^    [A-Z][a-z]+ \d{4}: /', $l) === 1;
        $inputs = array_slice(array_values(array_filter($lines, $isInput)), 0, 12);
        $gathered = array_map(static fn(string $l): float => $numbers(explode(': ', $l)[1])[0], $inputs);
        // Of what is per day each day counts the same.
        $days = array_map(
            static fn(string $l): int => (int) (new DateTimeImmutable('1 ' . trim(explode(': ', $l)[0])))->format('t'),
            $inputs,
        );
        $daysOf = static fn(float $value, int $of): float => $value * $of;
        $mean = array_sum(array_map($daysOf, $gathered, $days)) / array_sum($days);
        self::assertEqualsWithDelta($each, $gathered[11], 1e-9);
        $index = $numbers($step('2017 = 100: '));
        self::assertEqualsWithDelta($mean, $index[2], 1e-3);
        [, , , $base] = $index;
        self::assertEqualsWithDelta(($index[2] / $base) * 100, end($index), 1e-3);
        [$own, $median, $gap] = $numbers(
            str_replace('peer median: ', '', strstr($step('− peer median'), 'median: ') ?: ''),
        );
        self::assertEqualsWithDelta(end($index), $own, 1e-9);
        self::assertEqualsWithDelta($own - $median, $gap, 1e-3);
        [$now, $before, , $change] = $numbers($step('change on a year earlier: '));
        // Six digits of the one, and as many as their difference needs of the other.
        self::assertEqualsWithDelta($gap, $now, 1e-4);
        self::assertEqualsWithDelta($now - $before, $change, 1e-3);
        self::assertEqualsWithDelta($change, $numbers($shown)[0], 0.006);
    }

    /** What the program noticed is mended by one click, dismissed for good, and the being of the focus opened. */
    public function testSignalsAreMendedAndPutAwayAndTheStandingOpens(): void
    {
        $browser = $this->browser;
        $this->open('/studies/3');
        $browser
            ->see('#signals', '2019 is an unusual base for Tarrow')
            ->see('#signals', 'The result depends on the base');
        $browser->click('#signals li:first-child .remedy')->see('#stop-s3 b', '2018 = 100');
        self::assertStringNotContainsString('unusual base', $browser->text('#signals'));
        $browser->click('[data-history=undo]')->see('#stop-s3 b', '2019 = 100');
        $browser->click('#signals li:first-child .dismiss');
        $browser->until(
            'the signal to be put away',
            static fn(): bool => !str_contains($browser->text('#signals'), 'unusual base'),
        );
        $browser->web->navigate()->refresh();
        $browser->see('#signals', 'The result depends on the base');
        self::assertStringNotContainsString('unusual base', $browser->text('#signals'));
        // What is folded away stays open while an edit is made.
        $browser->click('#more-signals > summary')->click('#row-dunmarsh .pick')->see('.chart', 'Dunmarsh');
        self::assertTrue($browser->run('return document.getElementById("more-signals").open'));

        $browser
            ->click('[popovertarget=peer-comparison]')
            ->see('#peer-comparison', 'Veldmere Water')
            ->see('#peer-comparison', '1 of 23')
            ->see('#peer-comparison', 'falling');
        $browser
            ->press(WebDriverKeys::ESCAPE)
            ->click('[popovertarget=set-peers]')
            ->choose('#set-peers-band', 'middle 50 %');
        $browser->until(
            'the band',
            static fn(): bool => $browser->web->findElements(WebDriverBy::cssSelector('.chart .band path')) !== [],
        );
        // What is chosen stays chosen, and the table knows the target.
        $browser->choose('#set-peers-line', 'weighted mean')->see('.chart', 'Weighted peer mean');
        $browser->until(
            'the panel to be filled anew',
            static fn(): bool => $browser->run(
                'return document.querySelector("#set-peers-line option[selected]").value',
            ) === 'together',
        );
        $browser->write('#set-peers-target', '70')->see('.chart', 'target 70')->press(WebDriverKeys::ESCAPE);
        $browser->click('[popovertarget=peer-comparison]')->see('#peer-comparison', 'Gap to target');
    }

    public function testAStopThatIsPointedAtShowsItsFigures(): void
    {
        $browser = $this->browser;
        $this->open('/studies/3');
        $browser
            ->click('[data-view=figures]')
            ->see('.figures caption', '2019 = 100')
            ->see('.figures tbody tr', 'Oct 2025 66.4');
        $browser->actions()->moveToElement($browser->find('#stop-origin .name'))->perform();
        $browser->see('.figures caption', 'Ml per month')->see('.figures tbody tr', 'Oct 2025 149.6');
        $browser->actions()->moveToElement($browser->find('#stop-s1 .name'))->perform();
        $browser->see('.figures caption', 'l per connection per month')->see('.figures tbody tr', 'Oct 2025 2,240.5');
        $browser->actions()->moveToElement($browser->find('.words.headline'))->perform();
        $browser->see('.figures caption', '2019 = 100')->see('.figures tbody tr', 'Oct 2025 66.4');
    }

    /**
     * The guess is wrong on purpose: the user sees it, swaps the direction, mends a cell's reading and goes on
     * knowingly.
     */
    public function testAWrongGuessIsMendedInPlace(): void
    {
        $folder = Browser::downloads();
        file_put_contents(
            "{$folder}/supply.csv",
            "When,Ashen,Birchen\n2021-01,10,20\n2021-02,11,soon\n2021-03,12,22\n",
        );
        $browser = $this->browser;
        $browser->web->get($this->application->url('/'));
        $this->bring('.drop.new input[type=file]', "{$folder}/supply.csv");
        $browser
            ->see('h1', 'of 2 entities, January 2021 to March 2021')
            ->see('.problems', '“soon”')
            ->see('.problems', 'a number, for example 1,234.5');
        $browser
            ->click('.swap')
            ->see('h1', 'No values can be read with this layout')
            ->see('.problems', 'a period as header');
        $browser->click('.swap')->see('h1', 'of 2 entities');
        $browser->write('input[name=measureName]', 'Supply');
        $browser->see('.card legend', 'Supply');
        // The main button says what it does, and does what is possible.
        $browser->see('.confirm .go', 'Import 5 values; 1 cell as missing');
        $browser->click('.confirm .go')->see('.words.subtitle', 'Supply');
        $browser->see('.end-label[data-line=birchen]', 'Birchen 22')->see('#signals', 'Birchen has missing values');
        // Night stays night on the next page, and the chart needs no new picture for it.
        $browser->click('[data-ground-switch]');
        $browser->web->get($this->application->url('/'));
        self::assertSame('night', $browser->attribute('html', 'data-ground'));
    }

    /** Rates by sex and age as an office gives them, to a sentence about women over 65 that is read off the screen. */
    public function testATableBySexAndAgeLeadsToAHeadlineAboutWomenOver65(): void
    {
        $folder = Browser::downloads();
        // Sex, age, area and year, the last varying first: 1, 2, 3 … so that every value tells where it was.
        file_put_contents(
            "{$folder}/rates.json",
            json_encode(
                [
                    'version' => '2.0',
                    'class' => 'dataset',
                    'label' => 'Admission rate by sex and age',
                    'source' => 'Coast office',
                    'id' => ['sex', 'age', 'geo', 'time'],
                    'size' => [2, 2, 3, 2],
                    'role' => ['time' => ['time'], 'geo' => ['geo']],
                    'dimension' => [
                        'sex' => ['label' => 'Sex', 'category' => ['label' => ['F' => 'Women', 'M' => 'Men']]],
                        'age' => [
                            'label' => 'Age',
                            'category' => ['label' => ['Y0' => 'Under 65', 'Y65' => '65 and over']],
                        ],
                        'geo' => [
                            'label' => 'Area',
                            'category' => ['label' => ['A' => 'Ashen', 'B' => 'Birchen', 'C' => 'Cedar']],
                        ],
                        'time' => ['label' => 'Year', 'category' => ['index' => ['2023', '2024']]],
                    ],
                    'value' => range(1, 24),
                ],
                JSON_THROW_ON_ERROR,
            ),
        );
        $browser = $this->browser;
        $browser->web->get($this->application->url('/'));
        $this->bring('.drop.new input[type=file]', "{$folder}/rates.json");
        $browser
            ->see('h1', 'Admission rate of 3 areas, by sex and age, 2023 to 2024')
            ->write('input[name=home]', 'Birchen', false)
            ->click('.confirm .go')
            ->see('.words.subtitle', 'Sex: Women, Age: Under 65')
            ->click('#stop-origin .name')
            ->choose('#breakdown-1', '65 and over');
        // Women over 65 are the second six: 7 and 8 at Ashen, 9 and 10 at Birchen, 11 and 12 at Cedar.
        $browser->see('.words.headline', 'Women, 65 and over – Birchen: 10 in 2024; the median of its 2 peers is 10');
        $browser->choose('#breakdown-0', 'One line each, for one entity');
        $browser
            ->see('.words.subtitle', 'Admission rate, Birchen, by Sex, Age: 65 and over')
            ->see('.words.headline', 'Birchen, 65 and over – Women: 10')
            ->see('#roster', 'Men');
        self::assertStringContainsString('22', $browser->text('#roster'));
    }

    /** A rail is built in an order that is not possible, refused in words, and nothing that was typed is lost. */
    public function testANonsensicalOrderIsRefusedInWords(): void
    {
        $browser = $this->browser;
        $this->open('/studies/3');
        $browser->click('#stop-s3 .name')->click('#editor-s3 .acts button:first-child');
        $browser->until(
            'the index to have moved',
            static fn(): bool => $browser->attribute('#stop-s3 + li', 'id') === 'stop-s2',
        );
        $browser->click('#editor-s3 .acts button:first-child');
        $browser->see('#message', 'Move this stop earlier');
        self::assertSame('stop-s3', $browser->attribute('#stop-s1 + li', 'id'));
        $browser->write('#s3-base', 'long ago');
        $browser->see('#message', '“long ago” is not a period');
        self::assertSame('long ago', $browser->property('#s3-base', 'value'));
    }

    /** Brings a file to the data set that was changed last, as one does from the first page. */
    private function update(string $path): void
    {
        $this->browser->web->get($this->application->url('/'));
        $this->browser->click('#datasets tbody tr:first-child a[href$="#update"]')->see('#update', 'Update');
        $this->bring('.one-dataset .drop input[type=file]', $path);
    }

    /** Opens a study and waits until its chart has the size of the window. */
    private function open(string $path): void
    {
        $this->browser->web->get($this->application->url($path));
        $this->settled();
    }

    private function label(string $line): string
    {
        foreach ($this->browser->web->findElements(WebDriverBy::cssSelector('.end-label')) as $label) {
            if ((string) $label->getAttribute('data-line') === $line) {
                return $label->getText();
            }
        }

        return '';
    }

    /** @return list<RemoteWebElement> */
    private function shown(): array
    {
        return array_values(
            array_filter(
                $this->browser->web->findElements(WebDriverBy::cssSelector('#rows .row')),
                static fn(RemoteWebElement $row): bool => $row->isDisplayed(),
            ),
        );
    }

    /**
     * Two files of values, and the index that Ashen must end on.
     *
     * Ashen's leakage is 100 Ml a month in 2018, 80 in 2019 and 45 in 2020; its connections are 50,000, 50,000 and
     * 60,000. So a month of 2020 is 750 l a connection and one of 2019 is 1,600. The 12-month means of 2019 run evenly
     * from eleven months of 2,000 and one of 1,600 (1,966.67) down to twelve of 1,600: on average 1,783.33.
     * December 2020 is 750 ÷ 1,783.33 × 100 = 42.06.
     *
     * @return array{string, string, float}
     */
    private function figures(): array
    {
        $monthly = "Utility;Month;Leakage (Ml)\n";
        foreach (['Ashen' => [100, 80, 45], 'Birchen' => [50, 55, 50], 'Cindle' => [20, 20, 22]] as $name => $years) {
            foreach ($years as $i => $value) {
                for ($month = 1; $month <= 12; $month++) {
                    $monthly .= sprintf(
                        "%s;%s %d;%d,0\n",
                        $name,
                        date('M', (int) mktime(0, 0, 0, $month, 1, 2000)),
                        2018 + $i,
                        $value,
                    );
                }
            }
        }
        $yearly = "Utility,2018,2019,2020\nAshen,50000,50000,60000\nBirchen,30000,30000,30000\nCindle,9000,9000,9500\n";
        $folder = Browser::downloads();
        file_put_contents("{$folder}/leakage.csv", $monthly);
        file_put_contents("{$folder}/connections.csv", $yearly);

        return [
            "{$folder}/leakage.csv",
            "{$folder}/connections.csv",
            (750 / (1600 + (400 * (11 + 10 + 9 + 8 + 7 + 6 + 5 + 4 + 3 + 2 + 1 + 0)) / 144)) * 100,
        ];
    }
}
