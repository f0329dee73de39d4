<?php

declare(strict_types=1);

namespace DuskRail\Settings;

/**
 * A catalogue of classes that can have others beside those of the program for a while.
 *
 * @template C of object
 */
trait Extensible
{
    /** @var list<class-string<C>> */
    private static array $more = [];

    /**
     * Does something while there are other classes beside those of the program.
     *
     * @template T
     *
     * @param list<class-string<C>> $more
     * @param callable(): T $do
     * @return T
     */
    public static function extended(array $more, callable $do): mixed
    {
        $before = self::$more;
        self::$more = [...$before, ...$more];
        try {
            return $do();
        } finally {
            self::$more = $before;
        }
    }
}
