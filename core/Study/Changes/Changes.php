<?php

declare(strict_types=1);

namespace DuskRail\Study\Changes;

use DomainException;
use DuskRail\Data\DataSource;
use DuskRail\Study\Comparison;
use DuskRail\Study\InvalidStudy;
use DuskRail\Study\Study;

/** Every change there is. A new one is registered here. */
final class Changes
{
    private const ALL = [
        SetState::class, ReleaseFocus::class, SetMeasure::class,
        AddStop::class, ChangeStop::class, MoveStop::class, BypassStop::class, RemoveStop::class,
        SetRange::class, SetWords::class, SetView::class, SortRoster::class, Rename::class, SetAxis::class, SetPeers::class, Dismiss::class,
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
            $comparison = Comparison::of($change->apply($study, $data), $data);
        } catch (DomainException $problem) {
            throw InvalidStudy::because($problem->getMessage());
        }
        $refused = $comparison->run->refused();
        if ($refused !== null && $refused->placed->id !== $study->rail->run($data->table($study->measure), $study->scope($data))->refused()?->placed->id) {
            throw InvalidStudy::because((string) $refused->refusal);
        }

        return $comparison;
    }
}
