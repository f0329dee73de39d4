<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Override;

/**
 * A row of a table. Its traits are made ready by the names of their methods alone: Laravel also looks for attributes on
 * each of the 500 methods of every class, with every request, and none of ours has one.
 */
abstract class Record extends Model
{
    #[Override]
    protected static function bootTraits(): void
    {
        $class = static::class;
        static::$traitInitializers[$class] = [];
        foreach (class_uses_recursive($class) as $trait) {
            $name = class_basename($trait);
            if (method_exists($class, "boot{$name}")) {
                static::{"boot{$name}"}();
            }
            if (method_exists($class, "initialize{$name}")) {
                static::$traitInitializers[$class][] = "initialize{$name}";
            }
        }
    }
}
