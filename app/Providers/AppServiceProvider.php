<?php

declare(strict_types=1);

namespace App\Providers;

use App\Drawing\ShippedFonts;
use DuskRail\Chart\TextMeasure;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\ServiceProvider;

final class AppServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        $this->app->singleton(TextMeasure::class, static fn(): ShippedFonts => new ShippedFonts(config()->string('duskrail.fonts')));
    }

    public function boot(): void
    {
        Model::preventSilentlyDiscardingAttributes();
    }
}
