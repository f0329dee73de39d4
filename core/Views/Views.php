<?php

declare(strict_types=1);

namespace DuskRail\Views;

use DuskRail\Document\Study;
use DuskRail\Document\ViewCatalogue;
use LogicException;

/** Every view there is, in the order in which they are offered. A new one is named here. */
final class Views
{
    /** @var list<class-string<View>> */
    private const VIEWS = [
        LinesView::class,
        OverlayView::class,
        RanksView::class,
        StackView::class,
        ContributionsView::class,
        BeforeAfterView::class,
        SparksView::class,
        ScatterView::class,
        FiguresView::class,
    ];

    /** @return list<View> */
    public static function all(): array
    {
        return array_map(static fn(string $class): View => new $class(), self::VIEWS);
    }

    /** The view that a study is looked at in. */
    public static function of(Study $study): View
    {
        $view = ViewCatalogue::of($study);

        return $view instanceof View ? $view : throw new LogicException("{$view->name()} is not a view.");
    }
}
