<?php

declare(strict_types=1);

namespace DuskRail\Document\Changes;

use DuskRail\Data\DataSlice;
use DuskRail\Data\DataSource;
use DuskRail\Data\Measure;
use DuskRail\Data\UnknownMeasure;
use DuskRail\Document\InvalidStudy;
use DuskRail\Document\Parts\BreakdownsPart;
use DuskRail\Document\Study;

/** Compares another measure. */
final readonly class SetMeasure implements RailChange
{
    private function __construct(private string $measure) {}

    public static function name(): string
    {
        return 'measure';
    }

    public static function from(array $input): self
    {
        return new self((new Input($input))->text('measure'));
    }

    public function apply(Study $study, DataSource $data): Study
    {
        if (!isset($study->slice($data)->measures()[$this->measure])) {
            throw UnknownMeasure::named($this->measure);
        }

        $whole = DataSlice::whole($study->slice($data));
        foreach ($whole->splitBy($this->measure) as $key) {
            $isSum = $study->part(BreakdownsPart::class)->of($key)->show === 'sum';
            $breakdown = $whole->breakdowns()[$key];
            $refusal = $isSum ? DataSlice::whyApart($whole, $whole->measures()[$this->measure], $breakdown) : null;
            if ($refusal !== null) {
                throw InvalidStudy::because($refusal);
            }
        }

        return self::renamed($study, $study->slice($data)->measures(), $this->measure);
    }

    /**
     * A name that is that of the measure, as a study begins with, follows it.
     *
     * @param array<array-key, Measure> $measures by key
     */
    private static function renamed(Study $study, array $measures, string $to): Study
    {
        $before = isset($measures[$study->measure]) ? preg_quote($measures[$study->measure]->name, '/') : '';
        $isAutomatic = $before !== '' && preg_match("/^{$before}( \\d+)?$/u", $study->name, $m) === 1;

        return ($isAutomatic ? $study->withName($measures[$to]->name . ($m[1] ?? '')) : $study)->withMeasure($to);
    }

    public function inWords(Study $before, Study $after, DataSource $data): string
    {
        return 'Change the measure to ' . ($before->slice($data)->measures()[$this->measure]->name ?? $this->measure);
    }
}
