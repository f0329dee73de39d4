<?php

declare(strict_types=1);

use PhpCsFixer\Config;
use PhpCsFixer\Finder;

return (new Config())
    ->setRiskyAllowed(true)
    ->setRules([
        '@PER-CS2.0' => true,
        '@PHP82Migration' => true,
        'declare_strict_types' => true,
        'no_unused_imports' => true,
        'ordered_imports' => true,
        'fully_qualified_strict_types' => ['import_symbols' => true],
        'single_line_empty_body' => true,
        'concat_space' => ['spacing' => 'none'],
        'method_argument_space' => ['on_multiline' => 'ignore'],
        'not_operator_with_successor_space' => true,
        'trailing_comma_in_multiline' => true,
        'new_with_parentheses' => true,
        'static_lambda' => true,
        'void_return' => true,
    ])
    ->setFinder(Finder::create()
        ->in([__DIR__.'/app', __DIR__.'/bench', __DIR__.'/bootstrap', __DIR__.'/config', __DIR__.'/core', __DIR__.'/database', __DIR__.'/routes', __DIR__.'/tests'])
        ->notPath('cache')
        ->append([__FILE__]));
