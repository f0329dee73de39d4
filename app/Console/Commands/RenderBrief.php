<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Drawing\BriefPdf;
use App\Models\Brief;
use App\View\BriefPage;
use DuskRail\Chart\TextMeasure;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Str;

final class RenderBrief extends Command
{
    use SpeaksJson;

    protected $signature = 'brief:render {brief : number or name} {--each : once for every entity in focus in turn} {--out=. : folder to write to} {--json : for scripts}';

    protected $description = 'Write a brief as a PDF, for all entities in turn if asked';

    public function handle(TextMeasure $measure): int
    {
        $wanted = (string) $this->argument('brief');
        $brief = ctype_digit($wanted) ? Brief::find((int) $wanted) : Brief::where('name', $wanted)->first();
        if ($brief === null) {
            $this->error("There is no brief “{$wanted}”. There are: ".(Brief::pluck('name')->implode(', ') ?: 'none').'.');

            return self::INVALID;
        }
        $folder = rtrim((string) $this->option('out'), '/');
        if (! is_dir($folder) && ! File::makeDirectory($folder, 0o755, true, true)) {
            $this->error("The folder “{$folder}” cannot be made.");

            return self::FAILURE;
        }
        $day = now()->isoFormat('D MMMM YYYY');
        $names = $this->option('each') === true ? BriefPage::of($brief, $measure)->entities : ['' => ''];
        $json = $this->option('json') === true;
        $bar = $json || count($names) < 2 ? null : $this->output->createProgressBar(count($names));
        $written = [];
        foreach ($names as $key => $name) {
            $path = "{$folder}/".(Str::slug(trim("{$brief->name} {$name}")) ?: 'brief').'.pdf';
            File::put($path, (new BriefPdf($measure))->content(BriefPage::of($brief, $measure, null, $name === '' ? null : [(string) $key => 1]), $day));
            $written[] = $path;
            $bar?->advance();
        }
        $bar?->finish();
        if ($json) {
            $this->json(['brief' => $brief->name, 'files' => $written]);
        } else {
            $this->line(($bar === null ? '' : "\n").implode("\n", $written));
        }

        return self::SUCCESS;
    }
}
