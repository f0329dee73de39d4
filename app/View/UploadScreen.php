<?php

declare(strict_types=1);

namespace App\View;

use App\Formats\DelimitedFile;
use App\Models\Upload;
use DuskRail\Data\Revision;
use DuskRail\Reading\Alternative;
use DuskRail\Reading\Detection;
use DuskRail\Reading\NearNames;
use DuskRail\Reading\Observations;
use DuskRail\Reading\Plan;
use DuskRail\Reading\Problem;
use DuskRail\Reading\Reader;
use DuskRail\Reading\Sample;
use DuskRail\Reading\TableShape;
use DuskRail\Refusal;
use DuskRail\Time\Period;

/** What was understood of a file, for the preview. */
final readonly class UploadScreen
{
    private const ROWS_SHOWN = 8;

    private const STRANGERS_SHOWN = 40;

    /**
     * @param bool $whole whether all of the file was looked at, or its beginning
     * @param list<string> $evidence what the guess went by; none once the user has corrected it
     * @param list<Alternative> $others other ways it could lie
     * @param Revision|null $revision what it would change in the data set that it is added to
     * @param array<string, string> $strangers names that the data set does not know, each with the key of the one
     *     that may be meant, or nothing
     */
    private function __construct(
        public Upload $upload,
        public Plan $plan,
        public Sample $sample,
        public Observations $observations,
        public bool $whole,
        public array $evidence,
        public string $message,
        public array $others,
        public ?Revision $revision,
        public array $strangers,
    ) {}

    public static function of(Upload $upload, string $message = ''): self
    {
        [$sample, $whole] = DelimitedFile::with($upload->path(), $upload->readDialect())->sample(
            $upload->name,
            config()->integer('duskrail.preview_rows'),
        );
        $plan = $upload->readPlan();
        try {
            $observations = Reader::read($sample->rows, $plan);
            if ($upload->problems !== null) {
                // An import that was stopped has seen the whole file.
                $observations = $observations->withProblems(
                    array_map(static fn(array $p): Problem => Problem::cell(...$p), $upload->problems['list']),
                    $upload->problems['count'],
                    $upload->problems['duplicates'],
                );
            }
            $guess = Detection::of($sample, $plan->shape, $plan->heading ?? -1);
        } catch (Refusal $problem) {
            $message = $message === '' ? $problem->getMessage() : $message;
            $observations = new Observations($plan->periods->frequency, [], [], [], [], [], [], 0, 0, 0);
            $guess = null;
        }

        $revision = null;
        $strangers = [];
        if ($upload->dataset !== null && !$observations->isEmpty()) {
            $import = $upload->import();
            try {
                $revision =
                    $plan->shape === TableShape::Attributes ? null : $import->revision($upload->dataset, $observations);
            } catch (Refusal $problem) {
                $message = $message === '' ? $problem->getMessage() : $message;
            }
            $known = [];
            foreach ($upload->dataset->entities as $entity) {
                $known[$entity->key] = $entity->name;
            }
            foreach (
                array_slice($import->strangers($upload->dataset, $observations), 0, self::STRANGERS_SHOWN)
                as $name
            ) {
                $near = NearNames::of($name, array_values($known));
                $strangers[$name] = $near === null ? '' : (string) array_search($near, $known, true);
            }
        }

        return new self(
            $upload,
            $plan,
            $sample,
            $observations,
            $whole,
            $guess === null ? [] : $guess->evidence,
            $message,
            array_slice(Detection::alternatives($sample, $plan), 0, 3),
            $revision,
            $strangers,
        );
    }

    /** @return list<int> numbers of the rows that the preview shows: the headings and what follows */
    public function shownRows(): array
    {
        $first = $this->plan->above ?? ($this->plan->heading ?? 0);

        return range($first, min(count($this->sample->rows) - 1, $first + self::ROWS_SHOWN));
    }

    /** What a column was taken for. */
    public function role(int $column): string
    {
        return match (true) {
            $column === $this->plan->columns->entity => 'entity',
            $column === $this->plan->columns->period => 'period',
            $column === $this->plan->columns->measure => 'measure',
            $column === $this->plan->columns->unit => 'unit',
            $column === $this->plan->columns->status => 'status',
            in_array($column, $this->plan->columns->values, true) => 'figures',
            default => '',
        };
    }

    public function span(): string
    {
        $span = $this->observations->span();
        if ($span === null) {
            return '';
        }
        [$first, $last] = array_map(
            fn(int $ordinal): Period => Period::at($this->observations->frequencyOf(0), $ordinal),
            $span,
        );

        return $first->ordinal === $last->ordinal ? $first->label() : "{$first->label()} to {$last->label()}";
    }

    public function periodCount(): int
    {
        $span = $this->observations->span();

        return $span === null ? 0 : $span[1] - $span[0] + 1;
    }
}
