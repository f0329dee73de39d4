<?php

declare(strict_types=1);

namespace DuskRail\Signals;

use DuskRail\Outcome\Comparison;

/** Every signal there is, the graver first. A new one is registered here. */
final class Signals
{
    private const ALL = [
        WordsThatNoLongerHold::class,
        AgainstAllParts::class,
        AxisLimits::class,
        ValuesOfAnotherUnit::class,
        OwnScales::class,
        BelowLogarithm::class,
        FlatteningValues::class,
        AreaWithoutZero::class,
        LeftOutMeasures::class,
        LostPeerSet::class,
        FewPeers::class,
        ChangedPeers::class,
        MeanOfRatios::class,
        SumsOfLevels::class,
        OddBase::class,
        BaseDecides::class,
        IncompleteTotals::class,
        UnfinishedEnd::class,
        UnsettledEnd::class,
        UnfitChance::class,
        UnfitVariation::class,
        UnfitTurns::class,
        UnfitProjection::class,
        NotParallel::class,
        StepInFocus::class,
        EndedLines::class,
        PartsOfATotal::class,
        Gaps::class,
        DrawnCurve::class,
        ManyColours::class,
        CutAxis::class,
    ];

    /** @return list<Notice> those that are not dismissed */
    public static function of(Comparison $comparison): array
    {
        $notices = [];
        foreach ($comparison->run->steps as $step) {
            $id = $step->placed->id;
            if ($step->refusal !== null) {
                $notices[] = Notice::saying(
                    "refused-{$id}",
                    "{$step->placed->stop::title()} is not possible here: {$step->refusal}",
                )->withRemedy('Remove stop', 'remove-stop', ['id' => $id]);
            }
            foreach ($step->outcome->remarks as $remark) {
                $notice = Notice::saying(
                    "{$id}-" . hash('crc32b', $remark->sentence),
                    $remark->sentence,
                    $remark->detail,
                );
                $notices[] =
                    $remark->remedy === ''
                        ? $notice
                        : $notice->withRemedy($remark->remedy, 'change-stop', [
                            'id' => $id,
                            'settings' => $remark->remedySettings,
                        ]);
            }
        }
        foreach (self::ALL as $class) {
            $notices[] = (new $class())->notice($comparison);
        }

        return array_values(
            array_filter(
                $notices,
                static fn(?Notice $notice): bool => $notice !== null &&
                    !in_array($notice->id, $comparison->study->dismissed, true),
            ),
        );
    }
}
