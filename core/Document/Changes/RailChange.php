<?php

declare(strict_types=1);

namespace DuskRail\Document\Changes;

/** A change of a rail or of what it starts from; a scatter has two of them. */
interface RailChange extends Change {}
