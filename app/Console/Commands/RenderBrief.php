<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Drawing\BriefPdf;
use App\Drawing\HouseNotation;
use App\Drawing\Picture;
use App\Drawing\ReaderFile;
use App\Models\Brief;
use App\View\BriefPage;
use DuskRail\Chart\Palette;
use DuskRail\Chart\TextMeasure;
use DuskRail\Refusal;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Str;

final class RenderBrief extends Command
{
    use SpeaksJson;

    protected $signature =
        'brief:render {brief : number or name} {--format=pdf : pdf or html, one file; png or svg, ' .
        'one for each study} {--each : once per entity in focus} {--out=. : folder to write to} ' .
        '{--json : for scripts}';

    protected $description = 'Write a brief as PDF, HTML or images; with --each, once per entity';

    public function handle(TextMeasure $measure): int
    {
        HouseNotation::apply();
        $wanted = (string) $this->argument('brief');
        $brief = ctype_digit($wanted) ? Brief::find((int) $wanted) : Brief::where('name', $wanted)->first();
        if ($brief === null) {
            $this->error(
                "There is no brief “{$wanted}”. There are: " . (Brief::pluck('name')->implode(', ') ?: 'none') . '.',
            );

            return self::INVALID;
        }
        $format = (string) $this->option('format');
        if (!in_array($format, ['pdf', 'html', 'png', 'svg'], true)) {
            $this->error('--format is pdf, html, png or svg.');

            return self::INVALID;
        }
        $folder = rtrim((string) $this->option('out'), '/');
        if (!is_dir($folder) && !File::makeDirectory($folder, 0o755, true, true)) {
            $this->error("The folder “{$folder}” cannot be created.");

            return self::FAILURE;
        }
        $json = $this->option('json') === true;
        try {
            $written = $this->written($brief, $format, $folder, $measure);
        } catch (Refusal $problem) {
            $this->error($problem->getMessage());

            return self::FAILURE;
        }
        if ($json) {
            $this->json(['brief' => $brief->name, 'files' => $written]);
        } else {
            $this->line(implode("\n", $written));
        }

        return self::SUCCESS;
    }

    /** @return list<string> paths of the files that are written */
    private function written(Brief $brief, string $format, string $folder, TextMeasure $measure): array
    {
        $day = now()->isoFormat('D MMMM YYYY');
        $names = $this->option('each') === true ? BriefPage::of($brief, $measure)->entities : ['' => ''];
        $quiet = $this->option('json') === true || count($names) < 2;
        $bar = $quiet ? null : $this->output->createProgressBar(count($names));
        $written = [];
        foreach ($names as $key => $name) {
            $page = BriefPage::of($brief, $measure, null, $name === '' ? null : [(string) $key => 1]);
            $path = "{$folder}/" . (Str::slug(trim("{$brief->name} {$name}")) ?: 'brief');
            foreach ($this->contents($page, $format, $day, $measure) as $ending => $content) {
                File::put("{$path}{$ending}", $content);
                $written[] = "{$path}{$ending}";
            }
            $bar?->advance();
        }
        $bar?->finish();
        if ($bar !== null) {
            $this->newLine();
        }

        return $written;
    }

    /** @return iterable<string, string> content by the end of the file's name */
    private function contents(BriefPage $page, string $format, string $day, TextMeasure $measure): iterable
    {
        if ($format === 'pdf') {
            yield '.pdf' => (new BriefPdf($measure))->content($page, $day);
        } elseif ($format === 'html') {
            yield '.html' => (new ReaderFile($measure))->brief($page, $day);
        } else {
            $number = 0;
            foreach ($page->parts as $block) {
                if ($block->comparison !== null && $block->wording !== null && $block->problem === '') {
                    $picture = new Picture(
                        (new BriefPdf($measure))->sheet($block->comparison, $block->wording, 0.0),
                        Palette::day(),
                    );
                    yield '-' . ++$number . ".{$format}" => $format === 'png' ? $picture->png(2) : $picture->svg();
                }
            }
        }
    }
}
