<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Maintenance\Bin;
use App\Models\Brief;
use App\Models\Dataset;
use App\Models\Study;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;

/** What was deleted in the last thirty days, to be brought back. */
final class BinController
{
    public function show(): View
    {
        return view('bin', ['things' => Bin::contents()]);
    }

    public function restore(string $kind, int $id): RedirectResponse
    {
        $thing = Bin::bringBack($kind, $id);

        return match (true) {
            $thing instanceof Dataset => redirect()->route('datasets.show', $thing),
            $thing instanceof Study => redirect()->route('studies.show', $thing),
            $thing instanceof Brief => redirect()->route('briefs.show', $thing),
            default => abort(404),
        };
    }
}
