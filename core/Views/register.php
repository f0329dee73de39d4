<?php

declare(strict_types=1);

use DuskRail\Document\ViewCatalogue;
use DuskRail\Views\Views;

// Loaded with the core, so that documents know the names of all views.
ViewCatalogue::offer(Views::all(...));
