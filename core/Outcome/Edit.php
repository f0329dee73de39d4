<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

use DuskRail\Data\DataSource;
use DuskRail\Document\Changes\Change;
use DuskRail\Document\Changes\RailChange;
use DuskRail\Document\InvalidStudy;
use DuskRail\Document\Study;
use DuskRail\Document\ValuesByHand;
use DuskRail\Document\ViewCatalogue;
use DuskRail\Refusal;

/** A change applied to a study and calculated on its data, which is how it is found out whether it is possible. */
final class Edit
{
    /**
     * A stop that was refused before may stay so; one that the change would cause to be refused stops the change.
     *
     * @return Comparison of the changed study
     *
     * @throws InvalidStudy when the change is not possible, with the reason and the remedy
     */
    public static function of(Change $change, Study $study, DataSource $data): Comparison
    {
        $data = $study->slice($data);
        try {
            $changed =
                $change instanceof RailChange
                    ? ViewCatalogue::of($study)->changed($change, $study, $data)
                    : $change->apply($study, $data);
            $comparison = Comparison::of($changed, $data);
        } catch (Refusal $problem) {
            throw InvalidStudy::because($problem->getMessage());
        }
        $refused = $comparison->run->refused();
        $isAnother = $study->measure !== $changed->measure || $study->rail != $changed->rail;
        $mayBeForeign = $isAnother && ValuesByHand::in($changed) !== [];
        if ($refused === null && !$mayBeForeign) {
            return $comparison;
        }
        $before = $study->rail->run($study->slice($data)->table($study->measure), $study->scope($data));
        if ($refused !== null && $refused->placed->id !== $before->refused()?->placed->id) {
            throw InvalidStudy::because((string) $refused->refusal);
        }
        $document = $comparison->document;
        $carried = ValuesByHand::carried($study, $document, $before->table(), $comparison->run->table());

        return $carried == $document ? $comparison : Comparison::of($carried, $data);
    }
}
