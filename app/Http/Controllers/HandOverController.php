<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Drawing\Picture;
use App\Formats\FiguresCsv;
use App\Models\Study;
use App\View\SheetSize;
use DuskRail\Chart\Palette;
use DuskRail\Chart\PictureComposer;
use DuskRail\Chart\Scene;
use DuskRail\Chart\SheetComposer;
use DuskRail\Chart\TextMeasure;
use DuskRail\Study\Comparison;
use DuskRail\Study\Wording;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Str;

/** The study as a file to take away. */
final class HandOverController
{
    public function show(Request $request, Study $study, string $format, TextMeasure $measure): Response
    {
        $comparison = Comparison::of($study->document(), $study->data());
        $wording = Wording::of($comparison, $study->dataset->source);
        if ($format === 'csv') {
            return self::file(FiguresCsv::write($comparison, $wording), 'text/csv; charset=UTF-8', $study, $format);
        }
        $size = SheetSize::of($request);
        $scene = (new SheetComposer($measure))->compose($comparison, $wording, $size->width + 60.0, $size->height + 150.0, static fn(float $width, float $height): Scene => (new PictureComposer($measure))->compose($comparison, $width, $height));
        $picture = new Picture($scene, $request->query('ground') === 'night' ? Palette::night() : Palette::day());

        return $format === 'png'
            ? self::file($picture->png(2), 'image/png', $study, $format)
            : self::file($picture->svg(), 'image/svg+xml', $study, $format);
    }

    private static function file(string $content, string $type, Study $study, string $ending): Response
    {
        $name = Str::slug($study->name) ?: 'study';

        return response($content, 200, [
            'Content-Type' => $type,
            'Content-Disposition' => "attachment; filename=\"{$name}.{$ending}\"",
        ]);
    }
}
