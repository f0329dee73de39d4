<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\View\HelpPage;
use Illuminate\Contracts\View\View;

/** Rail, units, signals and views, explained with small charts. */
final class HelpController
{
    public function show(): View
    {
        return view('help', ['views' => HelpPage::views(), 'rail' => HelpPage::rail()]);
    }
}
