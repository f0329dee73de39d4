<?php

declare(strict_types=1);

namespace DuskRail;

use DomainException;

/**
 * What the user asked for cannot be done, and the message says why and what to do instead. Every refusal that reaches
 * the user is one of these; any other exception is a fault of the program.
 */
abstract class Refusal extends DomainException {}
