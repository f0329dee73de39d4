<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Remote\LocalFileDetector;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use PHPUnit\Framework\TestCase;

/** The demo in a browser of its own; whatever the page complains of fails the test. */
abstract class BrowserTestCase extends TestCase
{
    /** Whether the demo is there. */
    protected bool $demo = true;

    protected ServedApplication $application;

    protected Browser $browser;

    protected function setUp(): void
    {
        $this->application = ServedApplication::start(demo: $this->demo);
        $this->browser = Browser::open();
    }

    protected function tearDown(): void
    {
        $complaints = $this->browser->complaints();
        $this->browser->close();
        $this->application->stop();
        // A refused edit answers 422, which the browser notes; nothing else may be noted.
        self::assertSame(
            [],
            array_values(array_filter($complaints, static fn(string $m): bool => !str_contains($m, ' 422 '))),
        );
    }

    protected function bring(string $selector, string $path): void
    {
        $input = $this->browser->find($selector);
        $input->setFileDetector(new LocalFileDetector());
        $input->sendKeys($path);
    }

    protected function settled(): void
    {
        usleep(300_000);
        $size = 0;
        $this->browser->until('the chart to have its size', function () use (&$size): bool {
            $before = $size;
            $size = $this->browser->number('document.getElementById("chart")?.dataset.height ?? 1');
            usleep(150_000);

            return $before === $size;
        });
    }

    protected function add(string $title): void
    {
        $this->browser->press(WebDriverKeys::ESCAPE)->click('#stop-add .name');
        $this->browser->until("“{$title}” to be offered", function () use ($title): bool {
            if (!$this->browser->find('#editor-add')->isDisplayed()) {
                $this->browser->find('#stop-add .name')->click();
            }
            foreach (
                $this->browser->web->findElements(WebDriverBy::cssSelector('#editor-add .all button')) as $button
            ) {
                if (explode("\n", $button->getText())[0] === $title) {
                    $button->click();

                    return true;
                }
            }

            return false;
        });
    }

    protected function many(string $selector): int
    {
        return count($this->browser->web->findElements(WebDriverBy::cssSelector($selector)));
    }
}
