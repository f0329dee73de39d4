<?php

declare(strict_types=1);

namespace DuskRail\Words;

use DuskRail\Document\Parts\ProjectionPart;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Line;
use DuskRail\Outcome\Outlook;
use DuskRail\Outcome\Outlooks;
use DuskRail\Rail\Explanation;
use DuskRail\Statistics\ProjectionMethod;

/** Projections and the way to a target, in words. */
final class OutlookWords
{
    /** `−0.6 Ml a month`; nothing where there is no such pace. */
    public static function pace(Comparison $comparison, Outlook $outlook, float $pace): string
    {
        if (is_nan($pace)) {
            return '';
        }
        $frequency = $outlook->pacing->frequency;
        $both = [$pace, $outlook->pacing->needed, $outlook->pacing->pace];
        $text = TurnWords::paceFor($comparison, $frequency->noun(), $frequency->meanPerYear(), $both);

        return match ($pace <=> 0.0) {
            1 => "+{$text}",
            -1 => "−{$text}",
            default => $text,
        };
    }

    /** `97 (95 to 99)`: where it leads, with the prediction interval; nothing where nothing is projected. */
    public static function leads(Comparison $comparison, Outlook $outlook, bool $hasInterval = true): string
    {
        [$value, $reach] = [$outlook->leads(), $outlook->reach()];
        $between = " ({$comparison->format($value - $reach)} to {$comparison->format($value + $reach)})";

        return is_nan($value) ? '' : $comparison->format($value) . ($hasInterval ? $between : '');
    }

    /** The period in which it gets to its target; nothing where that is not in sight. */
    public static function arrival(Comparison $comparison, Outlook $outlook): string
    {
        return $outlook->arrival === null ? '' : $comparison->axis->period($outlook->arrival)->label();
    }

    /** `95 by June 2027` */
    public static function target(Comparison $comparison, Outlook $outlook): string
    {
        return $comparison->format($outlook->target) .
            ($outlook->due === null ? '' : " by {$outlook->due->by->label()}");
    }

    /** Why a number about the way ahead is not there. */
    public static function missing(Comparison $comparison, Line $line, string $what): string
    {
        $outlook = $comparison->outlooks->of($line);

        return match (true) {
            $outlook === null => "{$line->name} has no value in the reference period.",
            $what === 'needed' => "{$line->name} has no target with a date to come. Set one in Peers: 95 by 2027.",
            $what === 'leads' || $outlook->path === null
                => "{$line->name} is not projected: {$outlook->reason}.",
            !$outlook->hasTarget() => "{$line->name} has no target. Set one in Peers: 95 by 2027.",
            default => "the target of {$line->name} is not in sight.",
        };
    }

    /** What is said of drawn projections in the subtitle; nothing where none are. */
    public static function underHeadline(Comparison $comparison): string
    {
        $isShaded = $comparison->study->part(ProjectionPart::class)->interval;

        return Outlooks::shown($comparison) === []
            ? ''
            : '; dashed: projection' . ($isShaded ? ', shaded: 95 % prediction interval' : '');
    }

    /** The working of a line's way ahead; nothing where there is nothing to say of it. */
    public static function workingOf(Comparison $comparison, Line $line): string
    {
        $outlook = $comparison->outlooks->of($line);

        return $outlook === null ? '' : self::working($comparison, $outlook);
    }

    /** By what a line was projected, how the methods erred, and the paces. */
    public static function working(Comparison $comparison, Outlook $outlook): string
    {
        $said = [];
        $needed = self::pace($comparison, $outlook, $outlook->pacing->needed);
        $pace = self::pace($comparison, $outlook, $outlook->pacing->pace);
        if ($needed !== '') {
            $noun = $outlook->pacing->frequency->noun();
            $count = $outlook->pacing->periods;
            $said[] =
                "Needed for {$comparison->format($outlook->target)} within {$count} {$noun}" .
                ($count === 1 ? '' : 's') .
                ": {$needed}";
        }
        if ($pace !== '') {
            $since = $outlook->pacing->since;
            $said[] = 'pace ' . ($since === null ? '' : "since {$since->label()} ") . $pace;
        }
        if ($outlook->hasTarget()) {
            $side = $outlook->way > 0 ? 'above' : 'below';
            $said[] = "{$comparison->format($outlook->target)} and what is {$side} is the target";
        }
        $by = $outlook->path?->by;
        if ($by === null) {
            $said[] = "not projected: {$outlook->reason}";
        } else {
            $errors = [];
            foreach ($by->errors as $method => $error) {
                $errors[] = ProjectionMethod::from($method)->label() . ' ' . Explanation::number($error);
            }
            $said[] =
                "projection by {$by->chosen->method->label()}" .
                ($errors === []
                    ? ''
                    : ", mean absolute error on values held back at the end, {$by->count} at a time: " .
                        implode(', ', $errors));
        }

        return ucfirst(implode('; ', $said)) . '.';
    }
}
