<?php

declare(strict_types=1);

namespace DuskRail\Data;

/** A category of each of some breakdowns: what tells the data of one entity, measure and period apart. */
final readonly class Cell
{
    /** @param array<string, string> $categories keys of categories by keys of breakdowns */
    private function __construct(public array $categories) {}

    /** @param array<string, string> $categories keys of categories by keys of breakdowns */
    public static function of(array $categories = []): self
    {
        ksort($categories);

        return new self($categories);
    }

    /** @param string $text as text() gives it: `age=65;sex=f` */
    public static function parse(string $text): self
    {
        $categories = [];
        foreach ($text === '' ? [] : explode(';', $text) as $part) {
            [$breakdown, $category] = [...explode('=', $part, 2), ''];
            $categories[$breakdown] = $category;
        }

        return new self($categories);
    }

    public function text(): string
    {
        return implode(
            ';',
            array_map(
                static fn(string $breakdown, string $category): string => "{$breakdown}={$category}",
                array_map(strval(...), array_keys($this->categories)),
                $this->categories,
            ),
        );
    }

    public function with(string $breakdown, string $category): self
    {
        return self::of([...$this->categories, $breakdown => $category]);
    }

    public function __toString(): string
    {
        return $this->text();
    }
}
