<?php

declare(strict_types=1);

namespace DuskRail\Document\Parts;

use DuskRail\Settings\Kinds\ListOf;
use DuskRail\Settings\ReadsSettings;

/** What is marked on the picture, tied to the data and not to pixels. */
final readonly class MarksPart implements Part
{
    use ReadsSettings;

    /** @param list<Mark> $marks */
    public function __construct(
        #[ListOf(
            'marks',
            Mark::class,
            most: 24,
            tooMany: 'there are 24 annotations, which is the limit. Remove one first.',
        )]
        public array $marks = [],
    ) {}

    public static function name(): string
    {
        return 'marks';
    }

    public static function title(): string
    {
        return 'Annotations';
    }

    public function adding(Mark $mark): self
    {
        return self::from(['marks' => [...$this->marks, $mark]]);
    }

    /** The same with another one in a place; at the end where there is no such place. */
    public function replacing(int $number, Mark $mark): self
    {
        return isset($this->marks[$number])
            ? self::from(['marks' => array_replace($this->marks, [$number => $mark])])
            : $this->adding($mark);
    }

    public function without(int $number): self
    {
        return new self(array_values(array_diff_key($this->marks, [$number => true])));
    }
}
