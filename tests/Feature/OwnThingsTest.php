<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Drawing\Out\HandOverFormats;
use App\Models\HouseStyle;
use App\Models\Study;
use DOMDocument;
use DuskRail\Document\HouseSettings;
use DuskRail\Document\InvalidStudy;
use DuskRail\Document\SettingsGuide;
use DuskRail\Document\StudyDocument;
use DuskRail\Document\StudySchema;
use DuskRail\Document\ViewCatalogue;
use DuskRail\Peers\PeerRules;
use DuskRail\Rail\StopCatalogue;
use DuskRail\Settings\Declaration;
use DuskRail\Words\PeerStatistics;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\File;
use Opis\JsonSchema\Validator;
use PhpOffice\PhpSpreadsheet\IOFactory;
use Tests\Own\CapAtPercentile;
use Tests\Own\DistanceView;
use Tests\Own\LatestView;
use Tests\Own\LeftBehind;
use Tests\Own\MostValues;
use Tests\Own\NameList;

/** A calculation and a view that are written here, and nowhere else, are in every place where those of the program are. */
final class OwnThingsTest extends ApplicationTestCase
{
    public function testAStopIsOneClassAndOneLineAndEveryPlaceHasIt(): void
    {
        $study = $this->imported();
        StopCatalogue::extended([CapAtPercentile::class], function () use ($study): void {
            // The menu, the rail, the editor.
            $this->get(route('editors.show', [$study, 'editor-add']))
                ->assertSee('Cap at a percentile')
                ->assertSee('keeps single high values from ruling the picture');
            $this->change($study, 'add-stop', ['stop' => 'cap'])
                ->assertOk()
                ->assertSee('capped at P90')
                ->assertSee('name="settings[percentile]"', false)
                ->assertSee('Undo: Add cap at a percentile');
            $this->change($study, 'change-stop', ['id' => 's1', 'settings' => ['percentile' => '40']])
                ->assertStatus(422)
                ->assertSee('“percentile” is 40; it can be from 51 to 99.', false);
            $this->change($study, 'change-stop', ['id' => 's1', 'settings' => ['percentile' => '75']])
                ->assertOk()
                ->assertSee('Undo: Cap at a percentile: change percentile to “75”');
            // The values and the working: of 5, 5 and 7 the upper quartile is 6.
            $this->get(route('figures.show', [$study, 's1']))->assertSeeInOrder([
                'Tarrow',
                'Mar 2024',
                '4.00',
                '6.00',
                'Feb 2024',
                '5.00',
                'Jan 2024',
                '5.00',
            ]);
            $this->get(route('working.show', [$study, 'tarrow', 2]))->assertSee('the lower of 7 and 6, percentile 75');
            // The document and its schema, the file, the docs.
            $document = StudyDocument::write($study->refresh()->document());
            self::assertEquals($study->document(), StudyDocument::read($document));
            self::assertTrue($this->isValid($document));
            self::assertFalse($this->isValid(self::with($document, '"percentile":75', '"percentile":40')));
            self::assertStringContainsString(
                "### `cap`: Cap at a percentile\n\nKeeps single high values from ruling the picture.\n\n" .
                    "| setting | is | can be | default |\n|---|---|---|---|\n" .
                    '| `percentile` | percentile: values above it are taken for it | 51 to 99 | `90` |',
                SettingsGuide::write(),
            );
        });
        // Without the class, the study that has it is refused in words.
        $this->expectException(InvalidStudy::class);
        $this->expectExceptionMessage('cap');
        Study::findOrFail($study->id)->document();
    }

    public function testAViewIsOneClassAndOneLineAndEveryPlaceHasIt(): void
    {
        $study = $this->imported();
        $this->change($study, 'view', ['view' => 'latest-dots'])->assertStatus(422);
        ViewCatalogue::extended([new LatestView()], function () use ($study): void {
            $this->get(route('studies.show', $study))->assertSee('latest-dots');
            $this->change($study, 'view', ['view' => 'latest-dots'])
                ->assertOk()
                ->assertSee('Undo: Switch to Latest')
                ->assertSee('3 lines as they stand')
                ->assertSee('Tarrow 7');
            $this->get(route('editors.show', [$study, 'set-look']))->assertSee('settings[points]', false);
            $document = StudyDocument::write($study->refresh()->document());
            self::assertEquals($study->document(), StudyDocument::read($document));
            self::assertTrue($this->isValid($document));
            // It leaves as a picture with the words around it, and its values as a table.
            $svg = new DOMDocument();
            $svg->loadXML((string) $this->get(route('hand-over', [$study, 'svg']))->assertOk()->getContent());
            self::assertStringContainsString('3 lines as they stand', $svg->textContent);
            self::assertStringContainsString('Marl 4', $svg->textContent);
            $this->get(route('hand-over', [$study, 'csv']))->assertOk()->assertSee('2024-03,14,7,4', false);
            // A line is read and a brief shows it, as of any other view.
            $this->get(route('readouts.show', [$study, 'tarrow']))->assertOk();
        });
        $this->expectException(InvalidStudy::class);
        $this->expectExceptionMessage('lines, overlay');
        Study::findOrFail($study->id)->document();
    }

    public function testAStatisticOfThePeerComparisonIsInTheTableAndInTheFiles(): void
    {
        $study = $this->imported();
        $study->dataset->measures()->update(['better' => 'lower']);
        PeerStatistics::extended([LeftBehind::class], function () use ($study): void {
            $this->get(route('peer-comparison.show', $study))
                ->assertSeeInOrder(['Gap to best', 'Left behind', 'Veldmere', '3 of 3', '+10.00', '0 worse']);
            $this->get(route('hand-over', [$study, 'csv']))
                ->assertSee('Veldmere, Mar 2024: value 14.0; rank 3 of 3;', false)
                ->assertSee('left behind 0 worse', false);
            $path = (string) tempnam(sys_get_temp_dir(), 'dusk');
            file_put_contents($path, $this->get(route('hand-over', [$study, 'xlsx']))->getContent());
            $rows = IOFactory::load($path)->getSheetByName('Peer comparison')?->toArray() ?? [];
            unlink($path);
            self::assertSame(['Veldmere', 'Mar 2024', '0'], [$rows[1][0], $rows[1][1], array_reverse($rows[1])[0]]);
        });
        $this->get(route('peer-comparison.show', $study))->assertDontSee('Left behind');
    }

    public function testARuleOfAPeerSetIsInTheFormTheTableTheFileAndTheDocs(): void
    {
        $study = $this->imported(str_replace("Marl,2024-03,4\n", '', self::MONTHLY));
        $dataset = $study->dataset;
        $form = ['name' => 'Short', 'kind' => 'rules', 'measure' => 'leakage', 'settings' => ['most' => '2']];
        PeerRules::extended([MostValues::class], function () use ($study, $dataset, $form): void {
            $this->get(route('peer-sets.create', $dataset))->assertSee('name="settings[most]"', false);
            $this->get(route('peer-sets.preview', [$dataset, ...$form]))
                ->assertSee('All with at most 2 values.')
                ->assertSee('3 values are too many');
            $this->get(route('peer-sets.preview', [$dataset, ...$form, 'settings' => ['most' => '2000']]))
                ->assertSee('it can be from 0 to 1000', false);
            $this->post(route('peer-sets.store', $dataset), $form)->assertSessionHasNoErrors();
            $this->get(route('peer-sets.show', [$dataset, 'short']))->assertSee('value="2"', false);
            $file = $this->get(route('hand-over', [$study, 'data.json']))->getContent();
            self::assertStringContainsString('"most": 2', (string) $file);
            self::assertStringContainsString('### Most values', SettingsGuide::write());
        });
        // Without the class the set asks for no more than is known.
        $this->get(route('peer-sets.show', [$dataset, 'short']))->assertOk()->assertDontSee('too many');
    }

    public function testAFormatToHandOverIsInTheMenuTheRouteAndTheCommand(): void
    {
        $study = $this->imported();
        $this->get(route('hand-over', [$study, 'names.txt']))->assertNotFound();
        HandOverFormats::extended([NameList::class], function () use ($study): void {
            $this->get(route('editors.show', [$study, 'hand-over']))->assertSee('List of names');
            $answer = $this->get(route('hand-over', [$study, 'names.txt']))->assertOk();
            self::assertSame("Veldmere\nTarrow\nMarl", $answer->getContent());
            self::assertStringContainsString('.names.txt"', (string) $answer->headers->get('Content-Disposition'));
            // Two names that are alike are two files.
            $study->dataset->entities()->where('key', 'marl')->update(['name' => 'Tarrow!']);
            $folder = sys_get_temp_dir() . '/dusk-names-' . getmypid();
            $arguments = ['study' => $study->id, '--format' => 'names.txt', '--out' => $folder, '--each' => true];
            self::assertSame(0, Artisan::call('study:render', $arguments));
            self::assertCount(3, File::files($folder));
            File::deleteDirectory($folder);
        });
    }

    public function testEverySettingOfTheHouseIsInTheFormTheDocsAndTheDatabase(): void
    {
        $form = ['from' => 'kept', 'size' => 'usual'];
        foreach (Declaration::of(HouseSettings::class)->all() as $setting) {
            $this->get(route('style.show'))->assertSee("name=\"settings[{$setting->name}]\"", false);
            self::assertStringContainsString("| `{$setting->name}` | {$setting->kind->label}", SettingsGuide::write());
            $enum = $setting->kind->schema()['enum'] ?? ['Of {source}'];
            $others = array_filter((array) $enum, static fn(mixed $one): bool => $one !== $setting->default);
            $other = reset($others);
            $this->put(route('style.update'), [...$form, 'settings' => [$setting->name => $other]])->assertRedirect();
            self::assertSame($other, HouseStyle::sole()->asSettings()->settings()[$setting->name]);
        }
    }

    public function testAViewOfOtherValuesSaysThemEverywhere(): void
    {
        $study = $this->imported();
        ViewCatalogue::extended([new DistanceView()], function () use ($study): void {
            $this->change($study, 'state', ['entity' => 'tarrow', 'state' => 'focus']);
            $this->change($study, 'view', ['view' => 'distance'])->assertOk()->assertSee('Veldmere: 1.4 in March 2024');
            $this->get(route('hand-over', [$study, 'csv']))
                ->assertSee('Veldmere: 1.4 in March 2024')
                ->assertSee("\"# measure\",\"Leakage, tens\"\n\"# unit\",tens\n\"# kind\",rate", false)
                ->assertSee('2024-03,1.4,0.7,0.4', false);
            $readout = $this->get(route('readouts.show', [$study, 'tarrow']))->json('points.2');
            self::assertSame(['March 2024', '0.70 tens', '2nd highest of 3'], $readout);
        });
    }

    public function testRanksAreDrawnSaidAndHandedOver(): void
    {
        $study = $this->imported();
        $study->dataset->measures()->update(['better' => 'lower']);
        $this->change($study->refresh(), 'view', ['view' => 'ranks']);
        $this->change($study, 'state', ['entity' => 'veldmere', 'state' => 'focus'])
            ->assertOk()
            ->assertSee('Veldmere: 3rd of 3 in March 2024')
            ->assertSee('Leakage, rank, 1 is the lowest');
        $csv = $this->get(route('hand-over', [$study, 'csv']))->assertSee('"# unit",rank', false)->getContent();
        self::assertStringEndsWith(
            "Period,Veldmere,Tarrow,Marl\n2024-01,3,1,2\n2024-02,3,1,2\n2024-03,3,2,1\n",
            (string) $csv,
        );
        $readout = static fn(array $points): array => array_column($points, 1);
        $points = (array) $this->get(route('readouts.show', [$study, 'marl']))->json('points');
        self::assertSame(['rank 2 of 3', 'rank 2 of 3', 'rank 1 of 3'], $readout($points));
    }

    /**
     * @param array<string, mixed> $document
     * @return array<array-key, mixed>
     */
    private static function with(array $document, string $old, string $new): array
    {
        $text = (string) json_encode($document);
        self::assertStringContainsString($old, $text);

        return (array) json_decode(str_replace($old, $new, $text), true);
    }

    /** @param array<array-key, mixed> $document */
    private function isValid(array $document): bool
    {
        $validator = new Validator();
        $schema = json_decode((string) json_encode(StudySchema::write()));
        self::assertIsObject($schema);

        return $validator
            ->validate(json_decode((string) json_encode($document)), $validator->loader()->loadObjectSchema($schema))
            ->isValid();
    }
}
