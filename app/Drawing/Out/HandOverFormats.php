<?php

declare(strict_types=1);

namespace App\Drawing\Out;

/** Every format that a study can be handed over in, in the order in which they are offered. A new one is named here. */
final class HandOverFormats
{
    /** @var list<class-string<HandOverFormat>> */
    private const FORMATS = [
        Png::class,
        Svg::class,
        Pdf::class,
        Html::class,
        Csv::class,
        Xlsx::class,
        StudyWithoutData::class,
        StudyWithData::class,
    ];

    /** @var list<class-string<HandOverFormat>> */
    private static array $more = [];

    /** @return array<string, class-string<HandOverFormat>> by name */
    public static function all(): array
    {
        $formats = [];
        foreach ([...self::FORMATS, ...self::$more] as $class) {
            $formats[$class::name()] = $class;
        }

        return $formats;
    }

    /** @return list<class-string<HandOverFormat>> */
    public static function in(HandOverGroup $group): array
    {
        return array_values(array_filter(self::all(), static fn(string $one): bool => $one::group() === $group));
    }

    /**
     * Does something while there are other formats beside those of the program.
     *
     * @template T
     *
     * @param list<class-string<HandOverFormat>> $more
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
