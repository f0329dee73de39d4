<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Data\RevisionWriter;
use App\Data\StoredData;
use App\Models\Dataset;
use App\Models\Study;
use App\View\PeerSetScreen;
use DuskRail\Data\InvalidPeerSet;
use DuskRail\Data\PeerSetRules;
use DuskRail\Document\Changes\Changes;
use DuskRail\Peers\NearestPeers;
use DuskRail\Peers\PeerRules;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;

/** Peer sets of a data set: defined once, chosen by its studies. */
final class PeerSetController
{
    public function create(Request $request, Dataset $dataset): View
    {
        return $this->page($request, $dataset, NearestPeers::home(new StoredData($dataset)));
    }

    public function show(Request $request, Dataset $dataset, string $key): View
    {
        return $this->page($request, $dataset, $dataset->asPeerSets()[$key] ?? abort(404));
    }

    /** Who would be in the set as the form has it; or what is wrong with it. */
    public function preview(Request $request, Dataset $dataset): Response
    {
        try {
            $rules = PeerSetScreen::read($request->all());
            $screen = PeerSetScreen::of($dataset, $rules, $request->string('measure')->value());

            return response()->view('data.peer-set-members', ['screen' => $screen]);
        } catch (InvalidPeerSet $problem) {
            return response()->view('data.peer-set-problem', ['problem' => $problem->getMessage()]);
        }
    }

    public function store(Request $request, Dataset $dataset): RedirectResponse
    {
        try {
            $rules = PeerSetScreen::read($request->all());
        } catch (InvalidPeerSet $problem) {
            return back()->withInput()->withErrors(['set' => $problem->getMessage()]);
        }
        if ($request->boolean('keep')) {
            $screen = PeerSetScreen::of($dataset, $rules, $request->string('measure')->value());
            $rules = $rules->frozenAs($screen->membership->members());
        }
        $study = Study::of($dataset)->find($request->integer('study'));
        $this->mustFollowTheLatest($study instanceof Study ? $study : null);
        $rules = $this->put($dataset, $rules, $study instanceof Study ? $study : null);
        if ($study instanceof Study) {
            return redirect()->route('studies.show', $study);
        }

        return redirect()
            ->route('datasets.show', $dataset)
            ->with('message', __('The peer set “:name” was saved.', ['name' => $rules->name]));
    }

    /** The entities nearest to the one that a study is about, with one click. */
    public function like(Request $request, Study $study): RedirectResponse
    {
        $this->mustFollowTheLatest($study);
        $data = new StoredData($study->dataset);
        $subject = $request->string('entity')->value();
        abort_unless(
            isset($data->entities()[$subject]),
            422,
            __('The data set does not have this entity. Reload the page.'),
        );
        $rules = NearestPeers::of($data, $subject);
        foreach ($study->dataset->asPeerSets() as $set) {
            if ($set->nearest?->to === $subject && $set->name === $rules->name) {
                $this->choose($study, $set);

                return redirect()->route('studies.show', $study);
            }
        }
        $rules = $this->put($study->dataset, $rules, $study);

        return redirect()
            ->route('studies.show', $study)
            ->with(
                'message',
                __('The peer set “:name” was created. “Peers” shows who is in it.', ['name' => $rules->name]),
            );
    }

    public function destroy(Dataset $dataset, string $key): RedirectResponse
    {
        $name = DB::transaction(function () use ($dataset, $key): string {
            $sets = $dataset->refresh()->asPeerSets();
            $name = ($sets[$key] ?? abort(404))->name;
            $this->write($dataset, array_diff_key($sets, [$key => true]));

            return $name;
        });

        return redirect()
            ->route('datasets.show', $dataset)
            ->with(
                'message',
                __('The peer set “:name” was deleted. Studies that used it compare with all.', ['name' => $name]),
            );
    }

    private function page(Request $request, Dataset $dataset, PeerSetRules $rules): View
    {
        $study = Study::of($dataset)->find($request->integer('study'));
        $measure = $study instanceof Study ? $study->document()->measure : '';

        return view('data.peer-set', ['screen' => PeerSetScreen::of($dataset, $rules, $measure), 'study' => $study]);
    }

    /** With a key of its own where it is new, and a name that no other set has. */
    private function named(Dataset $dataset, PeerSetRules $rules): PeerSetRules
    {
        $sets = $dataset->asPeerSets();
        $names = [];
        foreach ($sets as $set) {
            if ($set->key !== $rules->key) {
                $names[] = mb_strtolower($set->name);
            }
        }
        $name = $rules->name;
        for ($n = 2; in_array(mb_strtolower($name), $names, true); $n++) {
            $name = "{$rules->name} {$n}";
        }
        $slug = Str::slug($name);
        $key = match (true) {
            isset($sets[$rules->key]) => $rules->key,
            $slug === '' => 'set',
            default => $slug,
        };
        for ($n = 2, $free = $key; $key !== $rules->key && isset($sets[$key]); $n++) {
            $key = "{$free}-{$n}";
        }

        return PeerRules::set([...$rules->toArray(), 'key' => $key, 'name' => $name]);
    }

    /** A pinned study keeps the peer sets of its description: another one would not be among them. */
    private function mustFollowTheLatest(?Study $study): void
    {
        if ($study?->version !== null) {
            throw ValidationException::withMessages([
                'set' => __(
                    'This study is pinned to version :version, with the peer sets of that time. ' .
                        'Let it use the latest version first, or save the set on the page of the data set.',
                    ['version' => $study->version],
                ),
            ]);
        }
    }

    /** The set with its own key and name, written beside those that are there by now, and chosen in a study. */
    private function put(Dataset $dataset, PeerSetRules $rules, ?Study $study): PeerSetRules
    {
        return DB::transaction(function () use ($dataset, $rules, $study): PeerSetRules {
            $own = $this->named($dataset->refresh(), $rules);
            $this->write($dataset, [...$dataset->asPeerSets(), $own->key => $own]);
            if ($study !== null) {
                $this->choose($study, $own);
            }

            return $own;
        });
    }

    /** @param array<string, PeerSetRules> $sets */
    private function write(Dataset $dataset, array $sets): void
    {
        $dataset->update([
            'peer_sets' => array_values(array_map(static fn(PeerSetRules $r): array => $r->toArray(), $sets)),
        ]);
    }

    private function choose(Study $study, PeerSetRules $rules): void
    {
        $change = Changes::read('set', ['part' => 'peers', 'settings' => ['set' => "set:{$rules->key}"]]);
        $before = $study->document();
        $after = $change->apply($before, $study->refresh()->data());
        if ($after != $before) {
            RevisionWriter::write($study, $after, "Compare with “{$rules->name}”");
        }
    }
}
