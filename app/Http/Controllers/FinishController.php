<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Data\RevisionWriter;
use App\Drawing\HouseNotation;
use App\Models\Entity;
use App\Models\HouseFinish;
use App\Models\Study;
use DuskRail\Document\Finish;
use DuskRail\Document\Parts\ConventionsPart;
use DuskRail\Document\Parts\TextPart;
use DuskRail\Document\Study as StudyOfCore;
use DuskRail\Refusal;
use DuskRail\Settings\Declaration;
use DuskRail\Settings\InvalidSetting;
use DuskRail\Settings\NoOffer;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rule;

/** The finish of one study given to others, and that of the house. */
final class FinishController
{
    public function show(): View
    {
        $house = HouseFinish::current();
        $names = Entity::orderBy('name')->pluck('name', 'key')->all();

        return view('finish', [
            'house' => $house,
            'notations' => HouseNotation::offered(),
            'conventions' => Declaration::of(ConventionsPart::class)->fields($house->conventions(), new NoOffer()),
            'size' => $house->finish === null ? 'usual' : Finish::read($house->finish)->textSize(),
            'named' => array_intersect_key($names, $house->hues),
            'names' => $names,
            'studies' => Study::orderBy('id')->pluck('name', 'id')->all(),
        ]);
    }

    public function update(Request $request): RedirectResponse
    {
        $request->validate(
            [
                'from' => ['required', 'string'],
                'size' => ['required', Rule::in(array_keys(TextPart::SIZES))],
                'source' => ['required', 'string', 'max:200', 'regex:/\{source\}/'],
                'settings' => ['array'],
                'ground' => ['required', Rule::in(['system', 'day', 'night'])],
                'locale' => [Rule::in(array_keys(HouseNotation::offered()))],
                'hues' => ['array'],
                'hues.*' => ['integer', 'between:0,' . StudyOfCore::MOST_FOCUS],
                'name' => ['nullable', 'string'],
                'hue' => ['nullable', 'integer', 'between:1,' . StudyOfCore::MOST_FOCUS],
            ],
            ['source.regex' => 'Enter {source} where the source goes, for example “Source: {source}”.'],
        );
        /** @var array<string, string> $given */
        $given = $request->input('hues', []);
        $hues = array_filter(array_map(intval(...), $given));
        $name = $request->string('name')->trim()->value();
        if ($name !== '') {
            $key = Entity::where('name', $name)->value('key');
            if (!is_string($key)) {
                return back()
                    ->withInput()
                    ->withErrors([
                        'name' => __('No data set has an entity “:name”. Choose one of the names in the list.', [
                            'name' => $name,
                        ]),
                    ]);
            }
            $hues[$key] = $request->integer('hue', 1);
        }
        $house = HouseFinish::current();
        $before = $house->conventions();
        try {
            $conventions = $before->with($request->array('settings'));
        } catch (InvalidSetting $problem) {
            return back()->withInput()->withErrors(['settings' => $problem->getMessage()]);
        }
        $from = $request->string('from')->value();
        $finish = match ($from) {
            'kept' => Finish::read($house->finish ?? []),
            'shipped' => Finish::read([]),
            default => Finish::of(Study::findOrFail((int) $from)->document()),
        };
        DB::transaction(static function () use ($house, $finish, $hues, $before, $conventions, $request): void {
            $house
                ->fill([
                    'finish' => $finish
                        ->withText(TextPart::from(['size' => $request->string('size')->value()]))
                        ->toArray(),
                    'hues' => $hues,
                    'source' => $request->string('source')->trim()->value(),
                    'ground' => $request->string('ground')->value(),
                    'locale' => $request->string('locale', $house->locale)->value(),
                    'conventions' => $conventions->settings(),
                ])
                ->save();
            if ($request->boolean('everywhere')) {
                self::recolour();
                if ($conventions->settings() !== $before->settings()) {
                    self::agree($conventions);
                }
            }
        });

        return redirect()->route('finish.show')->with('message', __('Saved. New studies use this style.'));
    }

    /** Whom a study can give its finish to. */
    public function others(Study $study): View
    {
        return view('study.give', [
            'study' => $study,
            'others' => Study::where('id', '!=', $study->id)->orderBy('id')->pluck('name', 'id')->all(),
        ]);
    }

    /** Gives the finish of a study to others; each can undo it. */
    public function store(Request $request, Study $study): RedirectResponse
    {
        $request->validate(
            ['to' => ['required', 'array'], 'to.*' => ['integer', 'exists:studies,id']],
            ['to.required' => __('Choose at least one study.')],
        );
        $finish = Finish::of($study->document());
        /** @var list<int> $to */
        $to = $request->input('to');
        $given = [];
        try {
            DB::transaction(static function () use ($to, $study, $finish, &$given): void {
                foreach (Study::whereIn('id', $to)->where('id', '!=', $study->id)->get() as $other) {
                    RevisionWriter::write(
                        $other,
                        $finish->givenTo($other->document()),
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
