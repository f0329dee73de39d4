<?php

declare(strict_types=1);

namespace DuskRail\Study\Changes;

use DomainException;
use DuskRail\Data\DataSource;
use DuskRail\Study\Comparison;
use DuskRail\Study\InvalidStudy;
use DuskRail\Study\Parts\ScatterPart;
use DuskRail\Study\Scattered;
use DuskRail\Study\Study;
use DuskRail\Study\StudyDocument;
use DuskRail\Study\View;

/** Every change there is. A new one is registered here. */
final class Changes
{
    private const ALL = [
        SetState::class, ReleaseFocus::class, SetMeasure::class,
        AddStop::class, ChangeStop::class, MoveStop::class, BypassStop::class, RemoveStop::class,
        SetRange::class, SetWords::class, SetView::class, SortRoster::class, Rename::class, SetPart::class, SwitchPanels::class, BaseHere::class, DrawRow::class, AddMark::class, RemoveMark::class, MoveLabel::class, Dismiss::class,
    ];

    /**
     * @param array<string, mixed> $input
     *
     * @throws InvalidStudy
     */
    public static function read(string $name, array $input): Change
    {
        foreach (self::ALL as $class) {
            if ($class::name() === $name) {
                try {
                    return $class::from($input);
                } catch (DomainException $problem) {
                    throw InvalidStudy::because($problem->getMessage());
                }
            }
        }

        throw InvalidStudy::because('There is no such change: “'.mb_strimwidth($name, 0, 40, '…').'”.');
    }

    /**
     * Applies a change and makes sure that the rail still makes sense after it.
     *
     * @throws InvalidStudy
     */
    public static function apply(Change $change, Study $study, DataSource $data): Study
    {
        return self::carriedOut($change, $study, $data)->study;
    }

    /**
     * The changed study carried out on its data, which is how it is found out whether it makes sense.
     *
     * A stop that was refused before may stay so; one that the change would cause to be refused stops the change.
     *
     * @throws InvalidStudy
     */
    public static function carriedOut(Change $change, Study $study, DataSource $data): Comparison
    {
        try {
            $changed = $study->view === View::Scatter && $study->scatter->editing === 'x' && $change instanceof RailChange
                ? self::alongTheHorizontal($change, $study, $data)
                : $change->apply($study, $data);
            $comparison = Comparison::of($changed, $data);
        } catch (DomainException $problem) {
            throw InvalidStudy::because($problem->getMessage());
        }
        $refused = $comparison->run->refused();
        if ($refused !== null && $refused->placed->id !== $study->rail->run($data->table($study->measure), $study->scope($data))->refused()?->placed->id) {
            throw InvalidStudy::because((string) $refused->refusal);
        }

        return $comparison;
    }

    /** In a scatter whose horizontal axis is being edited, its rail is changed and not the study's own. */
    private static function alongTheHorizontal(RailChange $change, Study $study, DataSource $data): Study
    {
        $turned = $change->apply(Scattered::turned($study, Comparison::of($study, $data)), $data);
        $refused = $turned->rail->run($data->table($turned->measure), $turned->scope($data))->refused();
        if ($refused !== null) {
            throw InvalidStudy::because((string) $refused->refusal);
        }

        return $study->withPart('scatter', ScatterPart::read([...$study->scatter->toArray(), 'measure' => $turned->measure, 'rail' => StudyDocument::stops($turned->rail)]));
    }
}
