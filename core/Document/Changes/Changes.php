<?php

declare(strict_types=1);

namespace DuskRail\Document\Changes;

use DuskRail\Document\InvalidStudy;
use DuskRail\Refusal;

/** Every change there is. A new one is registered here. */
final class Changes
{
    private const ALL = [
        SetState::class,
        ReleaseFocus::class,
        SetMeasure::class,
        SetBreakdown::class,
        AddStop::class,
        ChangeStop::class,
        MoveStop::class,
        BypassStop::class,
        RemoveStop::class,
        SetRange::class,
        SetWords::class,
        SetView::class,
        SortRoster::class,
        Rename::class,
        SetPart::class,
        SwitchPanels::class,
        BaseHere::class,
        DrawRow::class,
        AddMark::class,
        RemoveMark::class,
        LookBeforeAfter::class,
        MoveLabel::class,
        Dismiss::class,
        DropValues::class,
    ];

    /**
     * @param array<array-key, mixed> $input
     *
     * @throws InvalidStudy
     */
    public static function read(string $name, array $input): Change
    {
        foreach (self::ALL as $class) {
            if ($class::name() === $name) {
                try {
                    return $class::from($input);
                } catch (Refusal $problem) {
                    throw InvalidStudy::because($problem->getMessage());
                }
            }
        }

        throw InvalidStudy::because('Unknown change: “' . mb_strimwidth($name, 0, 40, '…') . '”.');
    }
}
