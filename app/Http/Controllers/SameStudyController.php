<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Data\RevisionWriter;
use App\Models\Study;
use DuskRail\Document\Changes\Changes;
use DuskRail\Document\Study as StudyOfCore;
use DuskRail\Outcome\Edit;
use DuskRail\Refusal;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;

/** The same study for other measures, or about other lines: a study each, named apart. */
final class SameStudyController
{
    /** Studies that are made at once. */
    private const MOST = 50;

    public function store(Request $request, Study $study): RedirectResponse
    {
        $document = $study->document();
        $wanted = [
            ...self::chosen($request, 'measures', $study->data()->measures()),
            ...self::chosen($request, 'entities', $study->data()->entities()),
        ];
        if ($wanted === [] || count($wanted) > self::MOST) {
            throw ValidationException::withMessages([
                'measures' => __('Choose 1 to :most measures or lines.', ['most' => self::MOST]),
            ]);
        }
        $made = $refused = [];
        foreach ($wanted as [$list, $key, $name]) {
            try {
                $same = self::same($study, $document, $list, $key, $name);
                $made[] = RevisionWriter::begin($study->dataset, $same, $study->version, $study->described)->name;
            } catch (Refusal $problem) {
                $refused[] = "{$name}: {$problem->getMessage()}";
            }
        }

        return redirect()
            ->route('data.index')
            ->with('message', implode(' ', [
                trans_choice(':count study was created.|:count studies were created.', count($made)),
                ...$refused,
            ]));
    }

    /**
     * @param array<array-key, object{name: string}> $known by key
     * @return list<array{string, string, string}> list, key and name of what is chosen and known
     */
    private static function chosen(Request $request, string $list, array $known): array
    {
        $chosen = [];
        foreach ((array) $request->input($list) as $key) {
            if (is_string($key) && isset($known[$key])) {
                $chosen[] = [$list, $key, $known[$key]->name];
            }
        }

        return $chosen;
    }

    /** @throws Refusal where the measure cannot be compared so */
    private static function same(
        Study $study,
        StudyOfCore $document,
        string $list,
        string $key,
        string $name,
    ): StudyOfCore {
        $same =
            $list === 'entities'
                ? $document->about([$key => 1])
                : Edit::of(
                    Changes::read('measure', ['measure' => $key]),
                    $document->withWords($document->words->with('headline', '')),
                    $study->data(),
                )->document;
        $isNamed = $same->name !== $document->name;
        $plain = mb_strimwidth($document->name, 0, 70, '…') . ': ' . mb_strimwidth($name, 0, 40, '…');

        return $same->withName(RevisionWriter::unusedName($study->dataset, $isNamed ? $same->name : $plain));
    }
}
