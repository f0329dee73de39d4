<?php

declare(strict_types=1);

namespace DuskRail\Document\Changes;

use DuskRail\Data\DataSource;
use DuskRail\Data\SeriesTable;
use DuskRail\Document\Study;
use DuskRail\Rail\PlacedStop;
use DuskRail\Rail\Scope;
use DuskRail\Rail\Stop;
use DuskRail\Rail\StopCatalogue;

/** Adds a stop at the end of the rail, or where it is possible, with usual settings or with those that were proposed. */
final readonly class AddStop implements RailChange, RemarksOn
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
        $scope = $study->scope($data);
        $origin = $data->table($study->measure);
        $before = $study->rail->run($origin, $scope);
        $end = count($study->rail->stops);
        // Where the end is not the place for it, the last place that is.
        for ($at = $end; $at >= 0; $at--) {
            $arriving = $at === $end ? $before->table() : $before->steps[$at]->arriving;
            $rail = $study->rail->inserting($this->stop($arriving, $scope), $at);
            if ($rail->run($origin, $scope)->refused()?->refusal === $before->refused()?->refusal) {
                return $study->withRail($rail);
            }
        }

        return $study->withRail($study->rail->with($this->stop($before->table(), $scope)));
    }

    /** What is proposed is given whole; a stop that is chosen from the list begins as it usually does. */
    private function stop(SeriesTable $arriving, Scope $scope): Stop
    {
        $class = StopCatalogue::named($this->type);

        return $this->settings === [] ? $class::default($arriving, $scope) : $class::from($this->settings);
    }

    /** Why it is where it is, if it is not at the end. */
    public function remark(Study $before, Study $after, DataSource $data): string
    {
        $end = count($before->rail->stops);
        $there = array_map(static fn(PlacedStop $s): string => $s->id, $before->rail->stops);
        foreach ($after->rail->stops as $at => $placed) {
            $next = $after->rail->stops[$at + 1] ?? null;
            if (!in_array($placed->id, $there, true) && $next !== null && $at < $end) {
                $scope = $after->scope($data);
                $last = $before->rail->run($data->table($before->measure), $scope)->table();
                $arriving = $after->rail->until($at + 1)->run($data->table($after->measure), $scope)->table();
                $label = $next->stop->label($arriving, $scope);
                $why = (string) $placed->stop->refusal($last, $scope);

                return "“{$placed->stop::title()}” was placed before “{$label}”, since it cannot come last. {$why}";
            }
        }

        return '';
    }

    public function inWords(Study $before, Study $after, DataSource $data): string
    {
        return 'Add ' . mb_strtolower(StopCatalogue::named($this->type)::title());
    }
}
