<?php

declare(strict_types=1);

use PhpCsFixer\Config;
use PhpCsFixer\Finder;

// Layout is Prettier's (see bin/format); here is what goes beyond layout.
return (new Config())
    ->setRiskyAllowed(true)
    ->setRules([
        'declare_strict_types' => true,
        'no_unused_imports' => true,
        'ordered_imports' => true,
        'fully_qualified_strict_types' => ['import_symbols' => true],
        'lowercase_keywords' => true,
        'static_lambda' => true,
        'visibility_required' => true,
        'void_return' => true,
    ])
    ->setFinder(
        Finder::create()
            ->in(__DIR__)
            ->exclude(['bootstrap/cache', 'node_modules', 'public', 'resources', 'storage', 'vendor'])
            ->append([__FILE__]),
    );
