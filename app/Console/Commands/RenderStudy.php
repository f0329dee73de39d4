<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Drawing\HandOver;
use App\Drawing\HandOverChoice;
use App\Models\Study;
use App\View\PictureSize;
use App\View\SheetSize;
use DuskRail\Chart\TextMeasure;
use DuskRail\Document\Study as StudyOfCore;
use DuskRail\Outcome\ReaderChoices;
use DuskRail\Refusal;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Str;

final class RenderStudy extends StudyCommand
{
    protected $signature =
        'study:render {study : number or name}
        {--format=png : png, svg, pdf, html, csv, ' .
        'xlsx, json (study file without data) or data.json (study file with data)}
        ' .
        '{--size=slide : slide, column or square}
        {--times=2 : PNG resolution, 1 to 4}
      ' .
        '  {--night : dark theme}
        {--controls= : what readers of the HTML file can change, ' .
        'with commas: years, base, window}
        {--each : once per entity in focus}
        ' .
        '{--out=. : folder to write to}
        {--json : for scripts}';

    protected $description = 'Write a study as an image, data or study file; with --each, once per entity in focus';

    public function handle(TextMeasure $measure): int
    {
        $study = $this->study();
        $format = (string) $this->option('format');
        $size = PictureSize::tryFrom((string) $this->option('size'));
        $times = (int) $this->option('times');
        $folder = rtrim((string) $this->option('out'), '/');
        if ($study === null) {
            return self::INVALID;
        }
        if (
            !isset(HandOver::FORMATS[$format]) ||
            $size === null ||
            $size === PictureSize::Screen ||
            $times < 1 ||
            $times > 4
        ) {
            $this->error(
                '--format is png, svg, pdf, html, csv, xlsx, json or data.json; --size is slide, column or ' .
                    'square; --times is 1 to 4.',
            );

            return self::INVALID;
        }
        if (!is_dir($folder) && !File::makeDirectory($folder, 0o755, true, true)) {
            $this->error("The folder “{$folder}” cannot be created.");

            return self::FAILURE;
        }
        $choice = new HandOverChoice(
            $format,
            $size->pixels(SheetSize::default()),
            $times,
            $this->option('night') === true,
            array_values(
                array_intersect(array_keys(ReaderChoices::CONTROLS), explode(',', (string) $this->option('controls'))),
            ),
        );
        $documents = $this->documents($study);
        $quiet = $this->option('json') === true;
        $bar = $quiet || count($documents) < 2 ? null : $this->output->createProgressBar(count($documents));
        $written = [];
        foreach ($documents as $name => $document) {
            $path = "{$folder}/" . Str::slug($name) . ".{$format}";
            try {
                $content = (new HandOver($measure))->content($study, $document, $choice);
            } catch (Refusal $problem) {
                $bar?->finish();
                $this->error("{$name}: {$problem->getMessage()}");

                return self::FAILURE;
            }
            File::put($path, $content);
            $written[] = $path;
            $bar?->advance();
        }
        $bar?->finish();
        if ($quiet) {
            $this->json(['study' => $study->name, 'files' => $written]);
        } else {
            $this->line(($bar === null ? '' : "\n") . implode("\n", $written));
        }

        return self::SUCCESS;
    }

    /** @return array<string, StudyOfCore> by the name of the file */
    private function documents(Study $study): array
    {
        $document = $study->document();
        if ($this->option('each') !== true) {
            return [$study->name => $document];
        }
        $documents = [];
        foreach ($study->data()->entities() as $key => $entity) {
            if (isset($study->data()->table($document->measure)->series[$key])) {
                $documents["{$study->name} {$entity->name}"] = $document->about([(string) $key => 1]);
            }
        }

        return $documents;
    }
}
