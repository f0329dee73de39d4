<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Drawing\HandOver;
use App\Drawing\HandOverChoice;
use App\Drawing\Out\HandOverFormats;
use App\Models\Study;
use App\View\PictureSize;
use App\View\SheetSize;
use DuskRail\Chart\TextMeasure;
use DuskRail\Outcome\ReaderChoices;
use DuskRail\Refusal;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Str;

/** The study as a file to take away. */
final class HandOverController
{
    public function show(Request $request, Study $study, string $format, TextMeasure $measure): Response
    {
        $class = HandOverFormats::all()[$format] ?? abort(404);
        $size = PictureSize::tryFrom($request->string('size')->value()) ?? PictureSize::Screen;
        $times = min(4, max(1, $request->integer('times', 2)));
        try {
            $choice = new HandOverChoice(
                $size->pixels(SheetSize::of($request)),
                $times,
                $request->query('ground') === 'night',
                array_values(array_filter(array_keys(ReaderChoices::CONTROLS), $request->boolean(...))),
            );
            $content = $class::content(new HandOver($study, $study->document(), $choice, $measure));
        } catch (Refusal $problem) {
            abort(422, $problem->getMessage());
        }
        $name = Str::slug($study->name) ?: 'study';

        return response($content, 200, [
            'Content-Type' => $class::type(),
            'Content-Disposition' => "attachment; filename=\"{$name}.{$format}\"",
        ]);
    }
}
