<?php

declare(strict_types=1);

/** The latest data set as a picture of all its lines, calculated by three stops; one process from start to end. */

use App\Data\StoredData;
use App\Drawing\ShippedFonts;
use App\Drawing\Svg;
use App\Models\Dataset;
use DuskRail\Chart\LinesComposer;
use DuskRail\Document\Study;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Lineup;
use DuskRail\Rail\Rail;
use DuskRail\Rail\StopCatalogue;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Foundation\Application;

require __DIR__ . '/../vendor/autoload.php';
$app = require __DIR__ . '/../bootstrap/app.php';
assert($app instanceof Application);
$app->make(Kernel::class)->bootstrap();

$data = new StoredData(Dataset::latest('id')->firstOrFail());
$rail = Rail::of();
foreach ([['per-day', []], ['rolling', ['window' => 12]], ['index', ['base' => '2012']]] as [$type, $settings]) {
    $rail = $rail->with(StopCatalogue::make($type, $settings));
}
$study = Study::first('Bench', 'flow', $data)->withRail($rail);
$composer = new LinesComposer(new ShippedFonts(__DIR__ . '/../resources/fonts'));
echo strlen(Svg::forScreen($composer->compose(Lineup::of(Comparison::of($study, $data)), 956, 404), []));
