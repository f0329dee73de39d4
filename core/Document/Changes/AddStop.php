<?php

declare(strict_types=1);

namespace DuskRail\Document\Changes;

use DuskRail\Data\DataSource;
use DuskRail\Document\Study;
use DuskRail\Rail\StopCatalogue;

/** Adds a calculation at the end of the rail, set as it is usually wanted. */
final readonly class AddStop implements RailChange
{
    private function __construct(private string $type) {}

    public static function name(): string
    {
        return 'add-stop';
    }

    public static function from(array $input): self
    {
        return new self((new Input($input))->text('stop'));
    }

    public function apply(Study $study, DataSource $data): Study
    {
        $class = StopCatalogue::named($this->type);
        $scope = $study->scope($data);
        $arriving = $study->rail->run($data->table($study->measure), $scope)->table();

        return $study->withRail($study->rail->with($class::usual($arriving, $scope)));
    }

    public function inWords(Study $before, Study $after, DataSource $data): string
    {
        return 'Add ' . mb_strtolower(StopCatalogue::named($this->type)::title());
    }
}
