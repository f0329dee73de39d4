<?php

declare(strict_types=1);

namespace DuskRail\Words\Sentences;

use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Outlook;
use DuskRail\Outcome\Prospect;
use DuskRail\Words\OutlookWords;

/** Whether lines get to their targets, those in focus each and all together. */
final class TowardsTarget implements ClaimFinder
{
    /** Of fewer it is no news how many are on course. */
    private const FEWEST = 3;

    public function claims(Comparison $comparison): array
    {
        $claims = [];
        foreach ($comparison->focus() as $line) {
            $outlook = $comparison->outlooks->of($line);
            $sentence = $outlook === null || !$outlook->hasTarget() ? '' : $this->sentence($comparison, $outlook);
            if ($outlook !== null && $sentence !== '') {
                $weight = $outlook->due === null ? 0.5 : 0.85;
                $claims[] = Claim::of($sentence, $weight, OutlookWords::working($comparison, $outlook));
            }
        }
        $all = $this->together($comparison);

        return $all === null ? $claims : [...$claims, $all];
    }

    private function sentence(Comparison $comparison, Outlook $outlook): string
    {
        $name = $outlook->line->name;
        $target = OutlookWords::target($comparison, $outlook);
        $pace = OutlookWords::pace($comparison, $outlook, $outlook->pacing->pace);

        return match ($outlook->prospect) {
            Prospect::OnCourse => "{$name} is on course for {$target}: it leads to {leads {$name}}",
            Prospect::Open => "Whether {$name} reaches {$target} is uncertain: it leads to {leads {$name}}",
            Prospect::OffCourse => "{$name} is off course for {$target}: it leads to {leads {$name}}",
            Prospect::TooFar => "{$name} needs {needed {$name}} for {$target}" .
                ($pace === '' ? '' : "; its pace is {$pace}"),
            Prospect::Met => "{$name} met its target of {$target}",
            Prospect::Missed => "{$name} missed its target of {$target}",
            Prospect::InSight => "If {$name} goes on like this, it reaches {$target} in {reaches {$name}}",
            Prospect::NotInSight => "If {$name} goes on like this, {$target} is not in sight",
            Prospect::Reached, Prospect::Untold => '',
        };
    }

    /** How many of those that are judged are on course. */
    private function together(Comparison $comparison): ?Claim
    {
        $names = $dates = [];
        foreach ($comparison->outlooks->hasDates() ? $comparison->present() : [] as $line) {
            $isOne = !$line->isBenchmark() && !$line->isGroup();
            $outlook = $isOne ? $comparison->outlooks->of($line) : null;
            if ($outlook?->due !== null && $outlook->isJudged()) {
                $dates[] = $outlook->due->by->label();
                $names = $outlook->prospect === Prospect::OnCourse ? [...$names, $line->name] : $names;
            }
        }
        $count = count($names);
        $judged = count($dates);
        // Of different dates one number says nothing.
        if ($judged < self::FEWEST || count(array_unique($dates)) > 1) {
            return null;
        }

        return Claim::of(
            ($count === 0 ? "None of {$judged}" : "{$count} of {$judged}") .
                ($count === 1 ? ' is' : ' are') .
                " on course for the target by {$dates[0]}",
            0.6,
            $count === 0
                ? 'No prediction interval is wholly at the target or beyond.'
                : 'Their whole prediction interval is at the target or beyond: ' . implode(', ', $names) . '.',
        );
    }
}
