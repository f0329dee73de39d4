<?php

declare(strict_types=1);

/** The calculations that are measured, with the settings of each. */
return [
    'per denominator' => ['per-denominator', ['measure' => 'people', 'times' => 1e6]],
    'rolling mean of 12' => ['rolling', ['window' => 12]],
    'index to the average of a year' => ['index', ['base' => '2015']],
    'index to one month' => ['index', ['base' => '2018-06']],
    'straight lines between denominators' => ['per-denominator', ['measure' => 'people', 'between' => 'straight']],
    'per day' => ['per-day', []],
    'months to years' => ['period', ['to' => 'year']],
    'rolling highest of 12' => ['rolling', ['statistic' => 'highest']],
    'rolling median of 12' => ['rolling', ['statistic' => 'median']],
    'change on a year ago' => ['change', []],
    'year to date' => ['running-total', []],
    'share of all' => ['share', []],
    'against the peer median' => ['against', []],
    'standardise' => ['standardise', []],
    'rank' => ['rank', ['first' => 'highest']],
    'seasons' => ['seasonal', []],
];
