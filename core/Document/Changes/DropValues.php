<?php

declare(strict_types=1);

namespace DuskRail\Document\Changes;

use DuskRail\Data\DataSource;
use DuskRail\Document\Study;
use DuskRail\Document\ValuesByHand;

/** Takes out values that were typed in a unit that the rail has left. */
final readonly class DropValues implements Change
{
    private function __construct(private string $unit) {}

    public static function name(): string
    {
        return 'drop-values';
    }

    public static function from(array $input): self
    {
        return new self((new Input($input))->text('unit'));
    }

    public function apply(Study $study, DataSource $data): Study
    {
        return ValuesByHand::holding($study, $this->unit)->withUnits([]);
    }

    public function inWords(Study $before, Study $after, DataSource $data): string
    {
        return 'Remove values of another unit';
    }
}
