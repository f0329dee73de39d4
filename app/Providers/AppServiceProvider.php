<?php

declare(strict_types=1);

namespace App\Providers;

use App\Data\ForgivingConnector;
use App\Data\WritingConnection;
use App\Drawing\ShippedFonts;
use App\Http\KeptSessions;
use App\View\LanguageFiles;
use App\View\Regions;
use Closure;
use DuskRail\Chart\TextMeasure;
use Illuminate\Database\Connection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Filesystem\Filesystem;
use Illuminate\Foundation\Application;
use Illuminate\Http\Middleware\TrustProxies;
use Illuminate\Session\SessionManager;
use Illuminate\Support\ServiceProvider;
use Illuminate\Translation\FileLoader;
use Illuminate\View\Compilers\BladeCompiler;
use PDO;

final class AppServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        $this->app->bind('db.connector.sqlite', ForgivingConnector::class);
        Connection::resolverFor(
            'sqlite',
            /** @param array<string, mixed> $config */
            static fn(
                PDO|Closure $pdo,
                string $database,
                string $prefix,
                array $config,
            ): WritingConnection => new WritingConnection($pdo, $database, $prefix, $config),
        );
        $this->app->singleton(
            TextMeasure::class,
            static fn(): ShippedFonts => new ShippedFonts(config()->string('duskrail.fonts')),
        );
        $this->app->extend(
            'translation.loader',
            static fn(FileLoader $files, Application $app): LanguageFiles => new LanguageFiles(
                $app->make(Filesystem::class),
                $files->paths(),
            ),
        );
    }

    public function boot(): void
    {
        $this->callAfterResolving('blade.compiler', static function (BladeCompiler $blade): void {
            $blade->directive('region', static fn(): string => '<?php ob_start(); ?>');
            $blade->directive(
                'endregion',
                static fn(): string => '<?php echo ' .
                    Regions::class .
                    '::of(request())->told((string) ob_get_clean()); ?>',
            );
        });
        Model::preventSilentlyDiscardingAttributes();
        // Whose word on the client and on HTTPS is believed; nobody's unless they are named.
        TrustProxies::at(array_filter(config()->array('duskrail.proxies'), is_string(...)));
        $this->app
            ->make(SessionManager::class)
            ->extend(
                'file',
                static fn(Application $app): KeptSessions => new KeptSessions(
                    $app->make(Filesystem::class),
                    config()->string('session.files'),
                    config()->integer('session.lifetime'),
                ),
            );
    }
}
