<?php

declare(strict_types=1);

namespace DuskRail\Reading;

/** Which column of a table is what, counted from 0; null means that there is no such column. */
final readonly class Columns
{
    /** @var list<int> that hold values */
    public array $values;

    /** @var list<int> whose cells are categories that values are split by */
    public array $breakdowns;

    /** @var list<int> that say more of the entity: its code, its size */
    public array $about;

    /** @var list<int> whose cells belong to the name of the measure */
    public array $qualifiers;

    public ?int $entity;

    /** Where there is a column for its month, the year alone. */
    public ?int $period;

    public ?int $month;

    public ?int $day;

    public ?int $measure;

    public ?int $unit;

    /** Of powers of ten that values are written in. */
    public ?int $multiplier;

    public ?int $status;

    public ?int $group;

    /** @param array<int, Role> $roles by column; a column that is not named is left out */
    public function __construct(public array $roles)
    {
        $all = static fn(Role $role): array => array_keys($roles, $role, true);
        $this->values = $all(Role::Figures);
        $this->breakdowns = $all(Role::Breakdown);
        $this->about = $all(Role::About);
        $this->qualifiers = $all(Role::Qualifier);
        $this->entity = $all(Role::Entity)[0] ?? null;
        $this->period = $all(Role::Period)[0] ?? null;
        $this->month = $all(Role::Month)[0] ?? null;
        $this->day = $all(Role::Day)[0] ?? null;
        $this->measure = $all(Role::Measure)[0] ?? null;
        $this->unit = $all(Role::Unit)[0] ?? null;
        $this->multiplier = $all(Role::Multiplier)[0] ?? null;
        $this->status = $all(Role::Status)[0] ?? null;
        $this->group = $all(Role::Group)[0] ?? null;
    }

    /**
     * @param list<int> $values
     * @param int|list<int>|null ...$others columns by the value of their role
     */
    public static function of(array $values, int|array|null ...$others): self
    {
        $roles = array_fill_keys($values, Role::Figures);
        foreach ($others as $role => $columns) {
            foreach ((array) $columns as $column) {
                $roles[$column] = Role::from((string) $role);
            }
        }
        ksort($roles);

        return new self($roles);
    }

    public function role(int $column): Role
    {
        return $this->roles[$column] ?? Role::Out;
    }

    /** The same with another role for one column; one that only one can have goes to it from whichever had it. */
    public function with(int $column, Role $role): self
    {
        $roles = $this->roles;
        foreach ($role->isShared() ? [] : array_keys($roles, $role, true) as $before) {
            $roles[$before] = Role::Out;
        }
        $roles[$column] = $role;
        ksort($roles);

        return new self($roles);
    }
}
