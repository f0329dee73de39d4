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
    protected $signature = 'brief:render {brief : number or name} {--out=. : folder to write to} {--json : for scripts}';

    protected $description = 'Write a brief as a PDF';

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
        $path = "{$folder}/".(Str::slug($brief->name) ?: 'brief').'.pdf';
        File::put($path, (new BriefPdf($measure))->content(BriefPage::of($brief, $measure), now()->isoFormat('D MMMM YYYY')));
        $this->line($this->option('json') === true ? json_encode(['brief' => $brief->name, 'files' => [$path]], JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR) : $path);

        return self::SUCCESS;
    }
}
