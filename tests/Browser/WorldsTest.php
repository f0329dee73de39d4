<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverKeys;

/** Three made-up worlds as offices would bring them, each to the answer that pandas gives of the same file. */
final class WorldsTest extends BrowserTestCase
{
    protected bool $demo = false;

    public function testAHospitalIsSetAgainstThoseOfItsSize(): void
    {
        $browser = $this->browser;
        $this->begun('hospitals', 'St Oswin', 'Waiting over 18 weeks');
        // What is proposed first is what is wanted.
        $browser->click('.proposals .fit')->see('#stop-s1', 'beds');
        $browser->press(WebDriverKeys::ESCAPE)->click('#stop-s1 > .name');
        $browser->choose('#s1-times', '100')->see('.words.subtitle', 'per 100 beds');
        $this->group('medium');
        $browser->see('.compared', 'in medium');
        $this->add('Difference or ratio');
        $browser->choose('#s2-as', 'Difference')->see('.rail', 'patients per 100 beds');
        // pandas: 23.243 − 20.361, the median of the 18 others of medium size that still have values.
        self::assertSame('2.9', $this->value('St Oswin'));
    }

    public function testTheWintersOfABusNetworkAreLaidSideBySide(): void
    {
        $browser = $this->browser;
        $this->begun('buses', 'Metrolane', 'Punctuality');
        // Who is in the network is a table of its own, as a spreadsheet keeps it.
        preg_match_all('/^\S+?,(.+?),/m', (string) file_get_contents(Browser::downloads() . '/buses.csv'), $names);
        $network = Browser::downloads() . '/network.csv';
        $rows = array_map(static fn(string $n): string => "{$n},Network", array_slice(array_unique($names[1]), 1));
        file_put_contents($network, "operator,group\n" . implode("\n", $rows) . "\n");
        $study = $browser->web->getCurrentURL();
        $browser->click('.crumb')->see('h2', 'Details');
        $dataset = $browser->web->getCurrentURL();
        $this->bring('.one-dataset .drop input[type=file]', $network);
        $browser->see('#understanding', '14 entities')->click('.confirm .go')->see('.studies', 'Punctuality');
        $browser->web->get($dataset);
        $browser->choose('[aria-label="Punctuality is per"]', 'Kilometres')->click('form[action$="/measures"] .button');
        $browser->see('main', 'saved');
        $browser->web->get($study);
        $this->settled();
        $browser->click('[popovertarget=set-lines]')->click('#set-lines [value=Network]')->see('#rows', 'Whole groups');
        $this->add('Aggregate');
        $browser->choose('#s1-to', 'years')->write('#s1-season', 'W48–W09');
        $browser->see('.words.subtitle', 'W48–W09')->press(WebDriverKeys::ESCAPE);
        $browser->click('[data-view=figures]');
        // pandas: sum of punctuality × kilometres over the sum of kilometres, by winter.
        foreach (['84.41', '84.24', '83.75', '83.78', '80.61'] as $winter) {
            $browser->see('#figures, .figures, main', $winter);
        }
    }

    public function testAMunicipalityHasItsPlaceInItsSizeClass(): void
    {
        $browser = $this->browser;
        $this->begun('municipalities', 'Ravsund', 'Waste spending');
        $this->add('Divide by measure');
        $browser->choose('#s1-measure', 'Population')->see('#stop-s1', 'population');
        $this->add('Real terms');
        $this->add('Rank');
        $browser->choose('#s3-first', 'Lowest')->see('#stop-s3', 'lowest first');
        // pandas: rank of spending per head in real terms, 2024, of all and within the size class.
        self::assertSame('182', $this->value('Ravsund'));
        $this->group('15 000–50 000');
        $browser->see('.compared', '56 peers in 15 000–50 000');
        self::assertSame('54', $this->value('Ravsund'));
    }

    /** What the roster says of an entity. */
    private function value(string $name): string
    {
        $this->settled();
        $said = $this->browser->run(
            "return [...document.querySelectorAll('#rows .row')].find((r) => " .
                "r.innerText.includes('{$name}')).innerText",
        );
        self::assertIsString($said);

        return preg_match('/(?<=\s)[−\d][\d.,]*/u', $said, $m) === 1 ? $m[0] : $said;
    }

    /** Brings the file, says which entity is home and of which measure the study is. */
    private function begun(string $world, string $home, string $measure): void
    {
        $path = Browser::downloads() . "/{$world}.csv";
        file_put_contents(
            $path,
            (string) gzdecode((string) file_get_contents(dirname(__DIR__) . "/worlds/{$world}.csv.gz")),
        );
        $this->browser->web->get($this->application->url('/'));
        $this->bring('.drop.new input[type=file]', $path);
        $this->browser->write('input[name=home]', $home, false)->click('.confirm .go')->see('.headline', $home);
        $this->settled();
        if (!str_contains($this->browser->text('#stop-origin'), $measure)) {
            $this->browser->click('#stop-origin .name')->choose('#origin-measure', $measure);
            $this->browser->press(WebDriverKeys::ESCAPE);
        }
    }

    /** Compares with those of a group, by its heading in the roster. */
    private function group(string $name): void
    {
        $this->browser->run(
            "[...document.querySelectorAll('.rows h2 .group')].find((b) => b.innerText === '{$name}').click()",
        );
    }
}
