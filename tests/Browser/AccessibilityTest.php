<?php

declare(strict_types=1);

namespace Tests\Browser;

use PHPUnit\Framework\Attributes\TestWith;

/** Every page by axe-core, by day and by night, and none wider than its window. */
final class AccessibilityTest extends BrowserTestCase
{
    #[TestWith(['/', 1280, 800])]
    #[TestWith(['/studies/6', 1280, 800])]
    #[TestWith(['/datasets/1', 1280, 800])]
    #[TestWith(['/datasets/1/figures/leakage?entity=tarrow&at=3', 1280, 800])]
    #[TestWith(['/datasets/1/peer-sets/like-veldmere', 1280, 800])]
    #[TestWith(['/datasets/1/peer-sets/new?study=1', 390, 844])]
    #[TestWith(['/help', 1280, 800])]
    #[TestWith(['/style', 390, 844])]
    #[TestWith(['/studies/6', 1024, 768])]
    #[TestWith(['/studies/6', 390, 844])]
    public function testPagesHaveNoAccessibilityViolations(string $path, int $width, int $height): void
    {
        $browser = $this->browser;
        if ($width < 1280) {
            $browser->web->executeCustomCommand('/session/:sessionId/goog/cdp/execute', 'POST', [
                'cmd' => 'Emulation.setDeviceMetricsOverride',
                'params' => [
                    'width' => $width,
                    'height' => $height,
                    'deviceScaleFactor' => 1,
                    'mobile' => $width < 500,
                ],
            ]);
        }
        foreach (['day', 'night'] as $ground) {
            $browser->web->get($this->application->url($path));
            usleep(500_000);
            $browser->run("document.documentElement.dataset.ground = '{$ground}'");
            // Buttons take a moment to change their colour.
            usleep(500_000);
            self::assertSame([], $this->violations(), "{$path} by {$ground}");
        }
        if (str_starts_with($path, '/studies') && $width !== 1024) {
            // Every editor that is beside the chart or under it; in between they are as in a wide window.
            $editors = $browser->run(
                'return [...document.querySelectorAll(".dock:not(.working)")].map((one) => one.id)',
            );
            foreach (is_array($editors) ? $editors : [] as $editor) {
                self::assertIsString($editor);
                $browser->run("document.getElementById('{$editor}').showPopover()");
                usleep(400_000);
                self::assertSame([], $this->violations(), $editor);
                $browser->run("document.getElementById('{$editor}').hidePopover()");
            }
            foreach (['overlay', 'stack', 'sparks', 'scatter', 'lines', 'figures'] as $view) {
                $browser
                    ->click("[data-view={$view}]")
                    ->until(
                        $view,
                        static fn(): bool => $browser->attribute("[data-view={$view}]", 'aria-pressed') === 'true',
                    );
                self::assertSame([], $this->violations(), $view);
            }
            $browser->click('.views button:nth-child(3)')->see('.panels', 'Dunmarsh');
            self::assertSame([], $this->violations(), 'panels');
        }
        if ($path === '/') {
            $file = Browser::downloads() . '/leakage.csv';
            file_put_contents($file, "Utility,2018,2019\nAshen,100,80\nBirchen,50,55\nCindle,20,20\n");
            $this->bring('.drop.new input[type=file]', $file);
            $browser->see('h1', '3 utilities, 2018 to 2019');
            self::assertSame([], $this->violations());
        }
        self::assertLessThanOrEqual($width, $browser->run('return document.documentElement.scrollWidth'));
    }

    /**
     * @return list<string> by axe-core
     *
     * @phpstan-impure
     */
    private function violations(): array
    {
        $this->browser->run((string) file_get_contents(dirname(__DIR__, 2) . '/node_modules/axe-core/axe.min.js'));
        $found = $this->browser->web->executeAsyncScript(
            'const done = arguments[0]; axe.run().then((r) => done(r.violations.map((v) => v.id + ": " + ' .
                'v.nodes.map((n) => n.html.slice(0, 160) + " " + n.failureSummary).join(" | "))))',
        );
        self::assertIsArray($found);

        return array_values(array_map(static fn(mixed $v): string => is_string($v) ? $v : '', $found));
    }
}
