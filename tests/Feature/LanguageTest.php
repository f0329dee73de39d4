<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Brief;
use App\Models\Study;
use App\View\Texts;
use DOMDocument;
use DOMXPath;
use DuskRail\Document\PartCatalogue;
use DuskRail\Document\ViewCatalogue;
use DuskRail\Rail\StopCatalogue;
use Illuminate\Support\Facades\App;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\File;
use PHPUnit\Framework\Attributes\Group;
use Symfony\Component\Finder\Finder;

/** The interface in another language: one in which no letter is one of ours, so that what was left out shows. */
final class LanguageTest extends ApplicationTestCase
{
    /** The same in every language: names of formats, of keys on a keyboard, and the program's own. */
    private const SAME =
        'Dusk Rail|PNG|SVG|PDF|HTML|CSV|TSV|GZ|PX|TXT|ZIP|Excel|OpenDocument|JSON-stat|SDMX-JSON|' .
        'data package|JSON records|UTF-\d+(LE|BE)?|Windows-\d+|KOI8-R|Mac Roman';

    /** What the file of the test holds, and periods. */
    private const DATA =
        'Veldmere|Tarrow|Marl|Returns|Leakage|leakage|Ml per month|Ml|Month|Utility|monthly\.csv|other\.csv|' .
        'The Forum|Jan|Feb|Mar|12-month mean|Peer median';

    private string $folder = '';

    protected function tearDown(): void
    {
        File::deleteDirectory($this->folder);
        parent::tearDown();
    }

    #[Group('slow')]
    public function testNothingOfTheInterfaceIsLeftInEnglish(): void
    {
        $study = $this->imported();
        $upload = $this->brought(self::MONTHLY, 'other.csv');
        $this->post(route('briefs.store'), ['name' => 'Returns'])->assertRedirect();
        $this->speakAnother();
        foreach (
            [
                ...['/', route('style.show'), route('bin.show'), route('help'), route('uploads.show', $upload)],
                ...[route('datasets.show', $study->dataset), route('peer-sets.create', $study->dataset)],
                ...[route('versions.show', [$study->dataset, 1]), route('briefs.show', Brief::firstOrFail())],
                ...[route('peer-comparison.show', $study), route('editors.show', [$study, 'hand-over'])],
            ] as $address
        ) {
            $this->assertIsForeign($address);
        }
        $this->change($study, 'focus', ['entity' => 'veldmere']);
        foreach (array_keys(ViewCatalogue::all()) as $view) {
            $this->change($study, 'view', ['view' => $view])->assertOk();
            $this->assertIsForeign(route('studies.show', $study));
        }
        foreach (array_keys(PartCatalogue::all()) as $part) {
            $this->assertIsForeign(route('editors.show', [$study, "set-{$part}"]));
        }
        foreach (array_keys(StopCatalogue::all()) as $stop) {
            $this->change($study, 'add-stop', ['stop' => $stop]);
            foreach (Study::findOrFail($study->id)->document()->rail->stops as $placed) {
                $this->assertIsForeign(route('editors.show', [$study, "editor-{$placed->id}"]));
                $this->change($study, 'remove-stop', ['id' => $placed->id])->assertOk();
            }
        }
    }

    public function testEveryLiteralOfTemplatesAndScriptsIsTranslated(): void
    {
        $left = [];
        foreach (Finder::create()->files()->in(resource_path('views'))->notPath('#^hand-over/#') as $file) {
            $code = (string) preg_replace(
                [
                    '/\{\{--.*?--\}\}/s',
                    '/@php\s.*?@endphp/s',
                    '/<(svg|script|style)\b.*?<\/\1>/s',
                    '/\{\{.*?\}\}|\{!!.*?!!\}/s',
                ],
                '',
                $file->getContents(),
            );
            preg_match_all('/\s(?:title|aria-label|placeholder|alt|data-confirm)="([^"]*)"/', $code, $attributes);
            $words = (string) preg_replace(
                ['/@\w+\s*(\((?:[^()]|(?1))*\))?/', '/<(?:"[^"]*"|\'[^\']*\'|[^>])*>/s'],
                "\n",
                $code,
            );
            foreach ([...$attributes[1], ...explode("\n", $words)] as $text) {
                if (self::isEnglish($text)) {
                    $left[] = "{$file->getFilename()}: " . trim($text);
                }
            }
        }
        self::assertSame([], $left);
        $said = [];
        foreach (Finder::create()->files()->in(resource_path('js')) as $file) {
            preg_match_all("/\btranslated\(\s*'([^']*)'/", $file->getContents(), $found);
            $said = [...$said, ...$found[1]];
            preg_match_all(
                '/(?:textContent|title|ariaLabel) =\s*[\'"`][A-Za-z].*|\btell\([\'"`][A-Za-z].*/',
                $file->getContents(),
                $found,
            );
            self::assertSame([], $found[0], $file->getFilename());
        }
        $this->speakAnother();
        $said = array_values(array_unique($said));
        sort($said);
        self::assertSame($said, array_keys(Texts::forScripts()));
        $this->get('/')->assertSee('<script type="application/json" id="texts">{"', false);
    }

    public function testTextsOfTheLanguageInUseAreKeptWithTheSettings(): void
    {
        config()->set('texts.en', ['First page' => 'Kept']);
        self::assertSame('Kept', __('First page'));
    }

    public function testALanguageFileGetsEveryTextAndKeepsItsTranslations(): void
    {
        $this->folder = sys_get_temp_dir() . '/dusk-language-' . getmypid();
        App::useLangPath($this->folder);
        self::assertSame(1, Artisan::call('language:write', ['language' => '../de']));
        self::assertSame(0, Artisan::call('language:write', ['language' => 'de']));
        $texts = (array) File::json("{$this->folder}/de.json");
        self::assertSame(Texts::all(), array_keys($texts));
        unset($texts['Copied']);
        File::put("{$this->folder}/de.json", json_encode([...$texts, 'none' => 'keine'], JSON_THROW_ON_ERROR));
        self::assertSame(0, Artisan::call('language:write', ['language' => 'de']));
        $texts = (array) File::json("{$this->folder}/de.json");
        self::assertSame(['keine', 'Copied'], [$texts['none'], $texts['Copied']]);
    }

    /** Makes a language file of all that is said to be translated, and takes it. */
    private function speakAnother(): void
    {
        $this->folder = sys_get_temp_dir() . '/dusk-language-' . getmypid();
        $texts = [];
        foreach (Texts::all() as $text) {
            $texts[$text] = preg_replace_callback(
                '/<[^>]*>|:[a-z]+|\{[^}]*\}|([A-Za-z]+)/',
                static fn(array $m): string => isset($m[1]) ? str_repeat('λ', strlen($m[1])) : $m[0],
                $text,
            );
        }
        File::ensureDirectoryExists($this->folder);
        File::put("{$this->folder}/el.json", json_encode($texts, JSON_THROW_ON_ERROR));
        App::useLangPath($this->folder);
        App::forgetInstance('translation.loader');
        App::forgetInstance('translator');
        App::setLocale('el');
    }

    /** No label, heading, button or hint of a page has English letters in it. Sentences made from the data may. */
    private function assertIsForeign(string $address): void
    {
        $html = (string) $this->get($address)->getContent();
        $document = new DOMDocument();
        $document->loadHTML('<?xml encoding="utf-8"?>' . ($html === '' ? '<p></p>' : $html), LIBXML_NOERROR);
        $path = new DOMXPath($document);
        $isMade =
            "ancestor-or-self::*[@id='signals' or @id='chart' or contains(@class, 'words') or " .
            "contains(@class, 'understood') or contains(@class, 'why') or contains(@class, 'compared') or " .
            "@id='house-locale']";
        $shown = implode(
            '|',
            array_map(static fn(string $tag): string => "//{$tag}[not({$isMade})]", [
                'label',
                'legend',
                'summary',
                'th',
                'button',
                'option',
                'h1',
                'h2',
                'h3',
                'dt',
                'dd',
                'figcaption',
            ]),
        );
        $left = [];
        $titles = "//*[not(@data-history or @class='verdict')]/@title|//*[not(self::svg or {$isMade})]/@aria-label";
        foreach ($path->query("{$shown}|{$titles}|//@placeholder") ?: [] as $node) {
            $text = trim((string) preg_replace('/\s+/', ' ', (string) $node->nodeValue));
            if (self::isEnglish($text)) {
                $left[] = $text;
            }
        }
        self::assertSame([], array_values(array_unique($left)), $address);
    }

    private static function isEnglish(string $text): bool
    {
        return preg_match(
            '/[A-Za-z]{2}/',
            (string) preg_replace('~' . self::SAME . '|' . self::DATA . '~', '', $text),
        ) === 1;
    }
}
