<?php

declare(strict_types=1);

use PhpCsFixer\Config;
use PhpCsFixer\Finder;

return (new Config())->
    setRiskyAllowed(true)->
    setRules([
        '@PER-CS' => true,
        // A setting is declared on one line where it fits.
        'method_argument_space' => ['attribute_placement' => 'ignore', 'on_multiline' => 'ensure_fully_multiline'],
        'operator_linebreak' => false,
        // “as” may begin a line.
        'single_space_around_construct' => [
            'constructs_preceded_by_a_single_space' => ['else', 'elseif', 'use_lambda'],
        ],
        'declare_strict_types' => true,
        'no_unused_imports' => true,
        'ordered_imports' => true,
        'fully_qualified_strict_types' => ['import_symbols' => true],
        'static_lambda' => true,
        'void_return' => true,
        'no_extra_blank_lines' => true,
        'no_trailing_comma_in_singleline' => true,
        'trim_array_spaces' => true,
        'array_indentation' => true,
    ])->
    setFinder(
        Finder::create()->
            in(__DIR__)->
            exclude(['bootstrap/cache', 'node_modules', 'public', 'resources', 'storage', 'vendor'])->
            notPath('core/Time/month-names.php')->
            notPath('core/Time/weekday-names.php')->
            append([__FILE__]),
    );
