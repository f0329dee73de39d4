<?php

declare(strict_types=1);

namespace DuskRail\Document;

/**
 * The views that a document can name. They are classes of a room above (Views), which names them all in Views/Views and
 * hands that list over when the core is loaded; so the document knows them, and does not use that room.
 */
final class ViewCatalogue
{
    /** @var list<callable(): list<ViewKind>> */
    private static array $offers = [];

    /** @var array<string, ViewKind>|null */
    private static ?array $known = null;

    /** @param callable(): list<ViewKind> $views made when they are first asked for */
    public static function offer(callable $views): void
    {
        self::$offers[] = $views;
        self::$known = null;
    }

    /** @return array<string, ViewKind> by name, in the order in which they are offered */
    public static function all(): array
    {
        if (self::$known === null) {
            self::$known = [];
            foreach (self::$offers as $offer) {
                foreach ($offer() as $view) {
                    self::$known[$view->name()] = $view;
                }
            }
        }

        return self::$known;
    }

    /** @throws InvalidStudy */
    public static function named(string $name): ViewKind
    {
        return self::all()[$name] ??
            throw InvalidStudy::because('can be ' . implode(', ', array_keys(self::all())) . '.');
    }

    /** The view that a study is looked at in. */
    public static function of(Study $study): ViewKind
    {
        return self::named($study->view);
    }

    /**
     * Does something while there are other views beside those of the program.
     *
     * @template T
     *
     * @param list<ViewKind> $more
     * @param callable(): T $do
     * @return T
     */
    public static function extended(array $more, callable $do): mixed
    {
        $before = self::$offers;
        self::offer(static fn(): array => $more);
        try {
            return $do();
        } finally {
            self::$offers = $before;
            self::$known = null;
        }
    }
}
