<?php

declare(strict_types=1);

// A server compiles its templates when it starts; what is older than its template is asked of each one elsewhere.
return ['check_cache_timestamps' => (bool) env('DUSK_RAIL_TEMPLATES_CHANGE', true)];
