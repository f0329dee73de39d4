<?php

declare(strict_types=1);

namespace DuskRail\Study\Changes;

use DuskRail\Data\DataSource;
use DuskRail\Rail\InvalidSetting;
use DuskRail\Rail\StopCatalogue;
use DuskRail\Study\Study;

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
        $class = StopCatalogue::all()[$this->type] ?? throw InvalidSetting::unknownStop($this->type);
        $scope = $study->scope($data);
        $arriving = $study->rail->run($data->table($study->measure), $scope)->table();

        return $study->with(['rail' => $study->rail->with($class::usual($arriving, $scope))]);
    }

    public function said(DataSource $data): string
    {
        $class = StopCatalogue::all()[$this->type] ?? null;

        return 'Add '.($class === null ? $this->type : mb_strtolower($class::title()));
    }
}
