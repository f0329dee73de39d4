<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Drawing\EachLine;
use App\Drawing\HandOver;
use App\Drawing\HandOverChoice;
use App\Drawing\Out\HandOverFormats;
use App\Models\Study;
use App\View\PictureSize;
use App\View\SheetSize;
use DuskRail\Chart\TextMeasure;
use DuskRail\Document\Study as StudyOfCore;
use DuskRail\Outcome\ReaderChoices;
use DuskRail\Refusal;
use Illuminate\Support\Facades\File;
use Symfony\Component\Console\Helper\ProgressBar;
use Symfony\Component\Console\Output\NullOutput;

final class RenderStudy extends StudyCommand
{
    protected $signature = <<<'SIGNATURE'
        study:render {study : number or name}
            {--format=png : png, svg, pdf, html, csv, xlsx, json (without data) or data.json (with data)}
            {--size=slide : slide, column or square}
            {--times=2 : PNG resolution, 1 to 4}
            {--night : dark theme}
            {--controls= : what readers of the HTML file can change, with commas: years, base, window}
            {--each : once per entity in focus}
            {--out=. : folder to write to}
            {--json : for scripts}
        SIGNATURE;

    protected $description = 'Write a study as an image, data or study file; with --each, once per entity in focus';

    public function handle(TextMeasure $measure): int
    {
        $study = $this->study();
        $format = (string) $this->option('format');
        $class = HandOverFormats::all()[$format] ?? null;
        $choice = $this->handOverChoice();
        $folder = rtrim((string) $this->option('out'), '/');
        if ($study === null) {
            return self::INVALID;
        }
        if ($class === null || $choice === null) {
            $this->error(
                '--format is ' . implode(', ', array_keys(HandOverFormats::all())) .
                    '; --size is slide, column or square; --times is 1 to 4.',
            );

            return self::INVALID;
        }
        if (!is_dir($folder) && !File::makeDirectory($folder, 0o755, true, true)) {
            $this->error("The folder “{$folder}” cannot be created.");

            return self::FAILURE;
        }
        $documents = $this->documents($study);
        $quiet = $this->option('json') === true;
        $isLong = !$quiet && count($documents) > 1;
        $bar = new ProgressBar($isLong ? $this->output : new NullOutput(), count($documents));
        $written = $taken = [];
        foreach ($documents as $name => $document) {
            $path = "{$folder}/" . EachLine::fileName($name, $taken) . ".{$format}";
            try {
                $content = $class::content(new HandOver($study, $document, $choice, $measure));
            } catch (Refusal $problem) {
                $bar->finish();
                $this->error("{$name}: {$problem->getMessage()}");

                return self::FAILURE;
            }
            File::put($path, $content);
            $written[] = $path;
            $bar->advance();
        }
        $bar->finish();
        if ($quiet) {
            $this->json(['study' => $study->name, 'files' => $written]);
        } else {
            $this->line(($isLong ? "\n" : '') . implode("\n", $written));
        }

        return self::SUCCESS;
    }

    /** What the options ask for; null if one is not to be had. */
    private function handOverChoice(): ?HandOverChoice
    {
        $size = PictureSize::tryFrom((string) $this->option('size'));
        $times = (int) $this->option('times');
        if ($size === null || $size === PictureSize::Screen || $times < 1 || $times > 4) {
            return null;
        }
        $controls = explode(',', (string) $this->option('controls'));

        return new HandOverChoice(
            $size->pixels(SheetSize::default()),
            $times,
            $this->option('night') === true,
            array_values(array_intersect(array_keys(ReaderChoices::CONTROLS), $controls)),
        );
    }

    /** @return array<string, StudyOfCore> by the name of the file */
    private function documents(Study $study): array
    {
        $document = $study->document();
        if ($this->option('each') !== true) {
            return [$study->name => $document];
        }
        $documents = [];
        foreach (EachLine::of($study, $document) as $name => $one) {
            $documents["{$study->name} {$name}"] = $one;
        }

        return $documents;
    }
}
