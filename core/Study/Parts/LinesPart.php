<?php

declare(strict_types=1);

namespace DuskRail\Study\Parts;

use DuskRail\Data\Entity;
use DuskRail\Rail\Field;
use DuskRail\Rail\Settings;
use DuskRail\Study\Comparison;

/** What the lines of a study run across. */
final readonly class LinesPart implements Part
{
    /**
     * @param 'entities'|'measures' $across
     * @param string $of key of the entity whose measures or years are compared; nothing for the first in focus
     * @param list<string> $groups groups that are a line of their own
     */
    public function __construct(public string $across = 'entities', public string $of = '', public array $groups = []) {}

    public static function read(array $settings): static
    {
        $read = new Settings('Lines', $settings);
        /** @var 'entities'|'measures' $across */
        $across = $read->oneOf('across', 'entities', ['entities', 'measures']);

        return new self($across, $read->text('of'), array_values(array_unique($read->texts('groups'))));
    }

    public function toArray(): array
    {
        return get_object_vars($this);
    }

    public function fields(Comparison $comparison): array
    {
        $entities = array_map(static fn(Entity $e): string => $e->name, $comparison->data->entities());
        $names = array_values(array_unique(array_filter(array_map(static fn(Entity $e): string => $e->group, $comparison->data->entities()))));

        return [
            Field::choice('across', 'the lines are', $this->across, ['entities' => 'entities', 'measures' => 'measures of one entity']),
            Field::choice('of', $this->across === 'measures' ? 'namely of' : 'years and measures of', $this->of, ['' => 'the first in focus'] + $entities),
            ...($names === [] ? [] : [Field::several('groups', 'as lines of their own:', $this->groups, array_combine($names, $names))]),
        ];
    }
}
