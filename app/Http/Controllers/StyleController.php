<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Data\RevisionWriter;
use App\Http\Requests\UpdateStyleRequest;
use App\Models\Entity;
use App\Models\HouseStyle;
use App\Models\Study;
use App\View\HouseOffer;
use DuskRail\Document\HouseSettings;
use DuskRail\Document\Parts\ConventionsPart;
use DuskRail\Document\Parts\TextPart;
use DuskRail\Document\Style;
use DuskRail\Refusal;
use DuskRail\Settings\Declaration;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;

/** The house style, and the style of one study given to others. */
final class StyleController
{
    public function show(): View
    {
        $house = HouseStyle::current();
        $names = Entity::orderBy('name')->pluck('name', 'key')->all();

        return view('style', [
            'house' => $house,
            'fields' => Declaration::of(HouseSettings::class)->fields($house->asSettings(), new HouseOffer()),
            'size' => $house->style === null ? 'usual' : Style::read($house->style)->textSize(),
            'named' => array_intersect_key($names, $house->hues),
            'names' => $names,
            'studies' => Study::orderBy('id')->pluck('name', 'id')->all(),
        ]);
    }

    public function update(UpdateStyleRequest $request): RedirectResponse
    {
        $house = HouseStyle::current();
        $before = $house->asSettings()->conventions;
        $settings = $request->settings($house->asSettings());
        $hues = $request->hues();
        $from = $request->string('from')->value();
        $style = match ($from) {
            'kept' => Style::read($house->style ?? []),
            'shipped' => Style::read([]),
            default => Style::of(Study::findOrFail((int) $from)->document()),
        };
        DB::transaction(static function () use ($house, $style, $hues, $before, $settings, $request): void {
            $text = TextPart::from(['size' => $request->string('size')->value()]);
            $house
                ->fill([
                    'style' => $style->withText($text)->toArray(),
                    'hues' => $hues,
                    'settings' => $settings->settings(),
                ])
                ->save();
            if ($request->boolean('everywhere')) {
                self::recolour();
                if ($settings->conventions->settings() !== $before->settings()) {
                    self::agree($settings->conventions);
                }
            }
        });

        return redirect()->route('style.show')->with('message', __('Saved. New studies use this style.'));
    }

    /** The studies that a study can give its style to. */
    public function others(Study $study): View
    {
        return view('study.give', [
            'study' => $study,
            'others' => Study::where('id', '!=', $study->id)->orderBy('id')->pluck('name', 'id')->all(),
        ]);
    }

    /** Gives the style of a study to others; each can undo it. */
    public function store(Request $request, Study $study): RedirectResponse
    {
        $request->validate(
            ['to' => ['required', 'array'], 'to.*' => ['integer', 'exists:studies,id']],
            ['to.required' => __('Choose at least one study.')],
        );
        $style = Style::of($study->document());
        /** @var list<int> $to */
        $to = $request->input('to');
        $given = [];
        try {
            DB::transaction(static function () use ($to, $study, $style, &$given): void {
                foreach (Study::whereIn('id', $to)->where('id', '!=', $study->id)->get() as $other) {
                    RevisionWriter::write(
                        $other,
                        $style->givenTo($other->document()),
                        "Apply the style of “{$study->name}”",
                    );
                    $given[] = $other->name;
                }
            });
        } catch (Refusal $problem) {
            return back()->withErrors(['to' => $problem->getMessage()]);
        }

        return redirect()
            ->route('studies.show', $study)
            ->with(
                'message',
                __('Applied to :names. It can be undone in each study.', ['names' => implode(', ', $given)]),
            );
    }

    /** What is calculated by one convention cannot be beside what is calculated by another. */
    private static function agree(ConventionsPart $conventions): void
    {
        foreach (Study::all() as $study) {
            if ($study->document()->part(ConventionsPart::class)->settings() !== $conventions->settings()) {
                RevisionWriter::write($study, $study->document()->withPart($conventions), 'Apply house conventions');
            }
        }
    }

    /** The hues of the house in every study there is. */
    private static function recolour(): void
    {
        foreach (Study::with('dataset')->get() as $study) {
            $document = $study->document();
            $coloured = $document->inOwnColours($study->data());
            if ($coloured->focus !== $document->focus) {
                RevisionWriter::write($study, $coloured, 'Apply house colours');
            }
        }
    }
}
