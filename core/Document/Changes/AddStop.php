<?php

declare(strict_types=1);

namespace DuskRail\Document\Changes;

use DuskRail\Data\DataSource;
use DuskRail\Document\Study;
use DuskRail\Rail\StopCatalogue;

/** Adds a stop at the end of the rail, with usual settings or with those that were proposed. */
final readonly class AddStop implements RailChange
{
    /** @param array<array-key, mixed> $settings as it was proposed; none for what is usual */
    private function __construct(private string $type, private array $settings = []) {}

    public static function name(): string
    {
        return 'add-stop';
    }

    public static function from(array $input): self
    {
        $read = new Input($input);

        return new self($read->text('stop'), array_key_exists('settings', $input) ? $read->map('settings') : []);
    }

    public function apply(Study $study, DataSource $data): Study
    {
        $class = StopCatalogue::named($this->type);
        $scope = $study->scope($data);
        $arriving = $study->rail->run($data->table($study->measure), $scope)->table();

        // What is proposed is given whole; a stop that is chosen from the list begins as it usually does.
        $stop = $this->settings === [] ? $class::default($arriving, $scope) : $class::from($this->settings);

        return $study->withRail($study->rail->with($stop));
    }

    public function inWords(Study $before, Study $after, DataSource $data): string
    {
        return 'Add ' . mb_strtolower(StopCatalogue::named($this->type)::title());
    }
}
