<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Brief;
use App\Models\Dataset;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;

final class DatasetController
{
    public function index(): View
    {
        return view('data.index', [
            'briefs' => Brief::withCount('blocks')->orderBy('id')->get(),
            'datasets' => Dataset::with(['measures', 'studies', 'files'])->withCount('entities')->orderBy('id')->get(),
        ]);
    }

    public function destroy(Dataset $dataset): RedirectResponse
    {
        $dataset->delete();

        return redirect()->route('data.index')->with('said', "“{$dataset->name}” and its studies are deleted.");
    }
}
