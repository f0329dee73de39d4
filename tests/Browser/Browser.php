<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Chrome\ChromeOptions;
use Facebook\WebDriver\Exception\ElementNotInteractableException;
use Facebook\WebDriver\Exception\StaleElementReferenceException;
use Facebook\WebDriver\Interactions\WebDriverActions;
use Facebook\WebDriver\Remote\DesiredCapabilities;
use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\Remote\RemoteWebElement;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverDimension;
use Facebook\WebDriver\WebDriverKeys;
use Illuminate\Filesystem\Filesystem;
use RuntimeException;
use Symfony\Component\Process\Process;
use Throwable;

/** Headless Chromium, driven as a person would: it looks for what is on the screen and waits until it is there. */
final class Browser
{
    private static ?Process $driver = null;

    private static int $port = 0;

    private function __construct(public readonly RemoteWebDriver $web) {}

    public static function open(int $width = 1280, int $height = 800): self
    {
        self::driver();
        $options = new ChromeOptions();
        $options->addArguments([
            '--headless=new',
            '--no-sandbox',
            '--disable-gpu',
            '--disable-quic',
            '--no-first-run',
            '--disable-background-networking',
            '--disable-component-update',
            '--disable-sync',
            '--disable-dev-shm-usage',
            "--window-size={$width},{$height}",
        ]);
        $options->setExperimentalOption('prefs', ['download.default_directory' => self::downloads()]);
        $capabilities = DesiredCapabilities::chrome();
        $capabilities->setCapability(ChromeOptions::CAPABILITY, $options);
        $capabilities->setCapability('goog:loggingPrefs', ['browser' => 'ALL']);
        $browser = new self(RemoteWebDriver::create('http://127.0.0.1:' . self::$port, $capabilities, 30_000, 60_000));
        // The window's frame takes some of its size.
        $browser->web
            ->manage()
            ->window()
            ->setSize(
                new WebDriverDimension(
                    $width + $browser->number('outerWidth - innerWidth'),
                    $height + $browser->number('outerHeight - innerHeight'),
                ),
            );

        return $browser;
    }

    public static function downloads(): string
    {
        $folder = sys_get_temp_dir() . '/dusk-rail-downloads-' . getmypid();
        if (!is_dir($folder)) {
            mkdir($folder);
        }

        return $folder;
    }

    public function find(string $selector): RemoteWebElement
    {
        return $this->web->findElement(WebDriverBy::cssSelector($selector));
    }

    public function click(string $selector): self
    {
        return $this->steadily($selector, fn() => $this->find($selector)->click());
    }

    public function choose(string $selector, string $label): self
    {
        return $this->steadily($selector, function () use ($selector, $label): void {
            foreach ($this->find($selector)->findElements(WebDriverBy::tagName('option')) as $option) {
                if (mb_stripos(trim($option->getText()), $label) !== false) {
                    $option->click();

                    return;
                }
            }

            throw new RuntimeException("{$selector} does not offer “{$label}”.");
        });
    }

    /** Types into a field in place of what is there, and leaves it. */
    /** @param bool $enter whether the field is left by the enter key, which sends its form */
    public function write(string $selector, string $text, bool $enter = true): self
    {
        return $this->steadily($selector, function () use ($selector, $text, $enter): void {
            $this->find($selector)->click();
            $this->actions()
                ->keyDown(null, WebDriverKeys::CONTROL)
                ->sendKeys(null, 'a')
                ->keyUp(null, WebDriverKeys::CONTROL)
                ->perform();
            $this->find($selector)->sendKeys($enter ? [$text, WebDriverKeys::ENTER] : [$text]);
        });
    }

    /** Once it is there; and again if it was just being drawn again, as whoever sits before the screen would. */
    private function steadily(string $selector, callable $act): self
    {
        for ($try = 0; $try < 5; $try++) {
            $this->until("{$selector} to be there", fn(): bool => $this->find($selector)->isDisplayed());
            try {
                $act();

                return $this;
            } catch (StaleElementReferenceException|ElementNotInteractableException) {
                usleep(300_000);
            }
        }

        throw new RuntimeException("{$selector} was drawn anew each time that it was used.");
    }

    public function press(string ...$keys): self
    {
        // What has the keyboard may just be closing.
        $this->until('something to take the keys', function () use ($keys): bool {
            $this->actions()->sendKeys(null, implode('', $keys))->perform();

            return true;
        });

        return $this;
    }

    public function chord(string $modifier, string $key): self
    {
        $this->actions()->keyDown(null, $modifier)->sendKeys(null, $key)->keyUp(null, $modifier)->perform();

        return $this;
    }

    public function actions(): WebDriverActions
    {
        return $this->web->action();
    }

    public function text(string $selector): string
    {
        return trim(preg_replace('/\s+/', ' ', $this->find($selector)->getText()) ?? '');
    }

    public function see(string $selector, string $text): self
    {
        $this->until("{$selector} to say “{$text}”", fn(): bool => str_contains($this->text($selector), $text));

        return $this;
    }

    /** What an expression comes to on the page, to the whole. */
    public function number(string $expression): int
    {
        $number = $this->run("return {$expression}");

        return is_numeric($number)
            ? (int) round((float) $number)
            : throw new RuntimeException("{$expression} is no number.");
    }

    /** @phpstan-impure */
    public function attribute(string $selector, string $name): string
    {
        return (string) $this->find($selector)->getAttribute($name);
    }

    public function property(string $selector, string $name): string
    {
        $value = $this->find($selector)->getDomProperty($name);

        return is_string($value) ? $value : '';
    }

    public function run(string $script): mixed
    {
        return $this->web->executeScript($script);
    }

    public function until(string $what, callable $condition): void
    {
        for ($try = 0; $try < 200; $try++) {
            try {
                if ($condition()) {
                    return;
                }
            } catch (Throwable) {
                // Not there yet, or just being drawn again.
            }
            usleep(50_000);
        }

        throw new RuntimeException(
            "Waited ten seconds for {$what}. On the screen: " . mb_strimwidth($this->text('body'), 0, 1500, '…'),
        );
    }

    /** @return list<string> what the page complained of */
    public function complaints(): array
    {
        /** @var list<array{message: string}> $log */
        $log = $this->web->manage()->getLog('browser');

        return array_column($log, 'message');
    }

    public function close(): void
    {
        $this->web->quit();
    }

    private static function driver(): void
    {
        if (self::$driver !== null) {
            return;
        }
        self::$port = ServedApplication::freePort();
        self::$driver = new Process(['chromedriver', '--port=' . self::$port], null, null, null, null);
        self::$driver->disableOutput();
        self::$driver->start();
        for ($try = 0; $try < 100 && @fsockopen('127.0.0.1', self::$port) === false; $try++) {
            usleep(100_000);
        }
        register_shutdown_function(static function (): void {
            self::$driver?->stop(2);
            (new Filesystem())->deleteDirectory(self::downloads());
        });
    }
}
