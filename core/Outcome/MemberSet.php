<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

use DuskRail\Data\Entity;
use DuskRail\Document\AttributeValues;
use DuskRail\Document\Parts\PeersPart;
use DuskRail\Time\Period;

/** Members of a group or of a peer set, or those with a value or a date in an attribute. */
final readonly class MemberSet
{
    /**
     * @param string $name as it is called in sentences
     * @param array<array-key, Period|null> $dates by entity, where they have a date of their own; else null
     */
    private function __construct(public string $name, public array $dates) {}

    /**
     * @param string $key `group:` and a group, `set:` and the key of a peer set, or as AttributeValues has it
     * @return self|null null where there is no such
     */
    public static function of(Comparison $comparison, string $key): ?self
    {
        $entities = $comparison->data->entities();
        $attribute = AttributeValues::named($key);
        if ($attribute !== null) {
            $members = array_filter($entities, static fn(Entity $e): bool => AttributeValues::holds($key, $e));
            $dates = array_map(static fn(Entity $e): ?Period => AttributeValues::dateIn($key, $e), $members);

            return $members === [] ? null : new self($attribute, $dates);
        }
        $chosen = $comparison->study->withPart(new PeersPart($key))->chosenPeers($comparison->data->source());
        $members = array_filter($entities, static fn(Entity $e): bool => $chosen->holds($e->key));

        return $chosen->isAll() || $members === []
            ? null
            : new self($chosen->name, array_fill_keys(array_keys($members), null));
    }
}
