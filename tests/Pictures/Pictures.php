<?php

declare(strict_types=1);

namespace Tests\Pictures;

use Closure;
use Facebook\WebDriver\WebDriverKeys;
use LogicException;
use Symfony\Component\Finder\Finder;
use Tests\Browser\Browser;
use Tests\Browser\ServedApplication;

/** The pictures of docs/screenshots, each taken anew from a fresh demo. */
final class Pictures
{
    private const FOLDER = __DIR__ . '/../../docs/screenshots';

    /** Studies of the demo, by what they show. */
    private const TANGLE = 1;

    private const PEERS = 2;

    private const INDEXED = 3;

    private const OVERLAY = 4;

    private const PANELS = 5;

    private const MESSAGE = 6;

    private const WHO = 9;

    private const WHEN = 10;

    private const TARGET = 11;

    private const EVENT = 12;

    /** What the picture of a view is drawn by, beside what all of them are: files, patterns of them and folders. */
    private const SOURCES = [
        'before-after' => [
            'core/Chart/BeforeAfter*.php',
            'core/Chart/SpansPainter.php',
            'core/Outcome/Event*.php',
            'core/Statistics/Event*.php',
        ],
        'brief' => ['resources/views/brief', 'app/View/BriefPage.php'],
        'contributions' => ['core/Chart/Contribution*.php', 'core/Outcome/Contribut*.php'],
        'dataset' => ['resources/views/data/dataset.blade.php'],
        'first-page' => ['resources/views/home', 'core/Chart/MiniatureComposer.php'],
        'figures' => ['core/Outcome/Grid.php', 'resources/views/study/views'],
        'night' => ['core/Chart/Projection*.php', 'core/Statistics/Projection*.php'],
        'overlay' => ['core/Outcome/Overlay.php'],
        'panels' => ['core/Chart/Panel*.php'],
        'ranks' => ['core/Outcome/Ranks.php', 'core/Views/RanksView.php'],
        'scatter' => ['core/Chart/Scatter*.php'],
        'sparks' => ['core/Chart/Spark*.php', 'core/Outcome/Spark*.php'],
        'stack' => ['core/Chart/Stack*.php'],
        'turns' => ['core/Chart/Turns*.php', 'core/Statistics/Turn*.php'],
        'peer-comparison' => ['resources/views/study/peer-comparison.blade.php', 'core/Words/PeerStatistics'],
    ];

    private const ALL = ['resources/css', 'resources/views/study/workspace.blade.php', 'core/Chart/Lines*.php'];

    /** What each picture was drawn by when it was taken: a hash of those files. */
    private const TAKEN = self::FOLDER . '/taken.json';

    /** @var list<int> numbers of the studies that were changed, once for each change */
    private array $changed = [];

    private function __construct(private readonly ServedApplication $application, private readonly Browser $browser) {}

    /**
     * Takes pictures, all or those that are named.
     *
     * @param list<string> $names
     * @return list<string> names that there are none of
     */
    public static function take(array $names): array
    {
        $unknown = array_values(array_diff($names, array_keys(self::steps())));
        if ($unknown !== []) {
            return $unknown;
        }
        $application = ServedApplication::start(demo: true);
        $hashes = self::taken();
        try {
            foreach (self::steps() as $name => $steps) {
                if ($names === [] || in_array($name, $names, true)) {
                    $browser = $name === 'telephone' ? Browser::open(390, 844) : Browser::open();
                    $taken = new self($application, $browser);
                    $steps($taken);
                    $taken->rest();
                    $browser->web->takeScreenshot(self::FOLDER . "/{$name}.png");
                    $taken->putBack();
                    $browser->close();
                    $hashes[$name] = self::drawnBy($name);
                    echo "{$name}\n";
                }
            }
        } finally {
            $application->stop();
        }
        ksort($hashes);
        file_put_contents(self::TAKEN, json_encode($hashes, JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT) . "\n");

        return [];
    }

    /** @return list<string> pictures whose view is drawn by other code than when they were taken */
    public static function outdated(): array
    {
        $taken = self::taken();

        return array_values(
            array_filter(
                array_keys(self::steps()),
                static fn(string $name): bool => ($taken[$name] ?? '') !== self::drawnBy($name),
            ),
        );
    }

    /** @return array<string, string> hash by name of the picture */
    private static function taken(): array
    {
        /** @var array<string, string> $taken */
        $taken = is_file(self::TAKEN)
            ? json_decode((string) file_get_contents(self::TAKEN), true, 2, JSON_THROW_ON_ERROR)
            : [];

        return $taken;
    }

    /**
     * Hash of what a picture is drawn by, as it is now.
     *
     * @throws LogicException where a pattern fits no file
     */
    private static function drawnBy(string $name): string
    {
        $root = dirname(__DIR__, 2);
        $hash = hash_init('sha256');
        $files = [];
        foreach ([...self::ALL, ...self::SOURCES[$name] ?? []] as $pattern) {
            $found = glob("{$root}/{$pattern}") ?: throw new LogicException("{$pattern} fits no file.");
            foreach ($found as $path) {
                $paths = is_dir($path) ? Finder::create()->files()->in($path) : [$path];
                foreach ($paths as $file) {
                    $files[] = (string) $file;
                }
            }
        }
        sort($files);
        foreach ($files as $file) {
            hash_update_file($hash, $file);
        }

        return substr(hash_final($hash), 0, 16);
    }

    /** @return array<string, Closure(self): mixed> */
    private static function steps(): array
    {
        return [
            'first-page' => static fn(self $on) => $on->open('/')->until('.cards svg, article svg'),
            'study' => static fn(self $on) => $on->study(self::MESSAGE),
            'night' => static fn(self $on) => $on->study(self::TARGET)->click('[data-ground-switch]'),
            'overlay' => static fn(self $on) => $on->study(self::OVERLAY),
            'panels' => static fn(self $on) => $on->study(self::PANELS),
            'ranks' => static fn(self $on) => $on->study(self::PEERS, [['view', ['view' => 'ranks']]]),
            'stack' => static fn(self $on) => $on->study(self::TANGLE, [['view', ['view' => 'stack']]]),
            'contributions' => static fn(self $on) => $on->study(self::WHO),
            'before-after' => static fn(self $on) => $on->study(self::EVENT),
            'sparks' => static fn(self $on) => $on->study(self::INDEXED, [['view', ['view' => 'sparks']]]),
            'figures' => static fn(self $on) => $on->study(self::INDEXED, [['view', ['view' => 'figures']]]),
            'scatter' => static fn(self $on) => $on->study(self::PEERS, [['view', ['view' => 'scatter']]]),
            'turns' => static fn(self $on) => $on->study(self::WHEN),
            'sentences' => static fn(self $on) => $on->study(self::MESSAGE)->click('[popovertarget=sentences]'),
            'peer-comparison' => static fn(self $on) => $on
                ->study(self::MESSAGE)
                ->click('[popovertarget=peer-comparison]'),
            'working' => static fn(self $on) => $on->study(self::MESSAGE)->readLastPoint(),
            'dataset' => static fn(self $on) => $on->open('/datasets/1'),
            'brief' => static fn(self $on) => $on->brief(),
            'telephone' => static fn(self $on) => $on->study(self::MESSAGE),
        ];
    }

    private function open(string $path): self
    {
        $this->browser->web->get($this->application->url($path));

        return $this;
    }

    private function until(string $selector): self
    {
        $this->browser->until($selector, fn(): bool => $this->browser->find($selector)->isDisplayed());

        return $this;
    }

    /**
     * A study, changed for the picture; putBack() undoes the changes.
     *
     * @param list<array{string, array<string, string>}> $changes
     */
    private function study(int $number, array $changes = []): self
    {
        $this->open("/studies/{$number}")->until('main');
        foreach ($changes as [$change, $input]) {
            $this->send('POST', "/studies/{$number}/changes", ['change' => $change, ...$input]);
            $this->changed[] = $number;
            $this->open("/studies/{$number}")->until('main');
        }
        usleep(500_000);

        return $this;
    }

    /** No scroll bars, and what moves has come to rest. */
    private function rest(): void
    {
        $this->browser->run(<<<'JS'
            const sheet = new CSSStyleSheet();
            sheet.replaceSync('* { scrollbar-width: none !important; }');
            document.adoptedStyleSheets = [...document.adoptedStyleSheets, sheet];
            window.dispatchEvent(new Event('resize'));
        JS);
        usleep(1_200_000);
    }

    private function putBack(): void
    {
        foreach ($this->changed as $number) {
            $this->send('PUT', "/studies/{$number}/history", ['step' => 'undo']);
        }
    }

    /** @param array<string, string> $input */
    private function send(string $method, string $path, array $input): void
    {
        $this->browser->web->executeAsyncScript(
            <<<'JS'
            const [method, path, input, done] = arguments;
            const token = JSON.parse(document.body.getAttribute('hx-headers:inherited'))['X-CSRF-TOKEN'];
            fetch(path, { method, headers: { 'X-CSRF-TOKEN': token }, body: new URLSearchParams(input) }).then(done);
            JS,
            [$method, $path, $input],
        );
    }

    private function click(string $selector): self
    {
        $this->browser->click($selector);

        return $this;
    }

    /** The working of the last point of the first line in focus, by the keyboard. */
    private function readLastPoint(): self
    {
        $this->browser->run("document.querySelector('#chart svg').focus()");
        $this->browser->press(WebDriverKeys::END);
        $this->browser->press(WebDriverKeys::ENTER);

        return $this->until('#working, [id^=working]');
    }

    private function brief(): self
    {
        $this->open('/briefs/1')->until('a[href*="/read/"]');
        $path = (string) parse_url($this->browser->attribute('a[href*="/read/"]', 'href'), PHP_URL_PATH);
        $this->open($path)->until('svg')->click('[data-line=tarrow]');

        return $this;
    }
}
