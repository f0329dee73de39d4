<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\UpdateEntitiesRequest;
use App\Models\Dataset;
use Illuminate\Http\RedirectResponse;
use Illuminate\Support\Facades\DB;

/** The entities of a data set: what they are called, which group they are of, and which of them is home. */
final class EntityController
{
    public function update(UpdateEntitiesRequest $request, Dataset $dataset): RedirectResponse
    {
        DB::transaction(static function () use ($request, $dataset): void {
            foreach ($dataset->entities as $entity) {
                $home = $request->isHome($entity);
                if (!$request->names($entity)) {
                    $entity->update(['home' => $home]);
                    continue;
                }
                $name = $request->name($entity);
                if (mb_strtolower($name) !== mb_strtolower($entity->name)) {
                    // Files go on calling it by its old name.
                    $old = ['name' => mb_strtolower($entity->name)];
                    $dataset->aliases()->updateOrCreate($old, ['entity_id' => $entity->id]);
                }
                $entity->update(['name' => $name, 'home' => $home, ...$request->description($entity)]);
            }
        });

        return redirect()
            ->route('datasets.show', [$dataset, 'page' => $request->integer('page', 1)])
            ->with('message', __('Entities saved.'));
    }
}
