<?php

declare(strict_types=1);

namespace DuskRail\Peers;

use DuskRail\Data\InvalidPeerSet;
use DuskRail\Data\PeerSetRules;
use DuskRail\Settings\Declaration;
use DuskRail\Settings\Extensible;
use DuskRail\Settings\Field;
use DuskRail\Settings\InvalidSetting;
use DuskRail\Settings\NoOffer;

/** Every rule that members of a peer set can have to meet, in the order in which a form has them. */
final class PeerRules
{
    /** @use Extensible<PeerRule> */
    use Extensible;

    /** @var list<class-string<PeerRule>> */
    private const RULES = [Rules\EveryValueSince::class, Rules\AtLeastValues::class];

    /** @return list<class-string<PeerRule>> */
    public static function all(): array
    {
        return [...self::RULES, ...self::$more];
    }

    /**
     * The rules of a set that ask for something.
     *
     * @return list<PeerRule>
     */
    public static function of(PeerSetRules $set): array
    {
        return array_values(
            array_filter(self::read($set->requirements), static fn(PeerRule $r): bool => !$r->isNone()),
        );
    }

    /**
     * A peer set as a file or a form has it, with its rules checked and written in full.
     *
     * @param array<array-key, mixed> $given
     *
     * @throws InvalidPeerSet
     */
    public static function set(array $given): PeerSetRules
    {
        $requirements = [];
        foreach (self::read($given) as $rule) {
            $requirements = [...$requirements, ...$rule->settings()];
        }

        return PeerSetRules::from([...$given, ...$requirements]);
    }

    /** @return list<Field> of a form */
    public static function fields(PeerSetRules $set): array
    {
        $fields = [];
        foreach (self::read($set->requirements) as $rule) {
            $fields = [...$fields, ...Declaration::of($rule::class)->fields($rule, new NoOffer())];
        }

        return $fields;
    }

    /**
     * @param array<array-key, mixed> $given
     * @return list<PeerRule>
     */
    private static function read(array $given): array
    {
        try {
            return array_map(static fn(string $class): PeerRule => $class::from($given), self::all());
        } catch (InvalidSetting $problem) {
            throw InvalidPeerSet::because($problem->getMessage());
        }
    }
}
