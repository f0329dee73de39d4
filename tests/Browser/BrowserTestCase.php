<?php

declare(strict_types=1);

namespace Tests\Browser;

use PHPUnit\Framework\TestCase;

/** The demo in a browser of its own; whatever the page complains of fails the test. */
abstract class BrowserTestCase extends TestCase
{
    protected ServedApplication $application;

    protected Browser $browser;

    protected function setUp(): void
    {
        $this->application = ServedApplication::start(demo: true);
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
}
