<?php

declare(strict_types=1);

namespace DuskRail\Document\Changes;

use DuskRail\Data\DataSource;
use DuskRail\Document\InvalidStudy;
use DuskRail\Document\Study;

/** One edit of a study. Every edit there is, by whatever way it comes in, is one of these. */
interface Change
{
    /** Its name in requests: lower case, hyphens. */
    public static function name(): string;

    /** @param array<array-key, mixed> $input */
    public static function from(array $input): self;

    /**
     * @throws InvalidStudy when it is not possible, with the reason and the remedy
     */
    public function apply(Study $study, DataSource $data): Study;

    /** What was done, as a person would say it after “Undo:”: `Focus on Tarrow`. */
    public function inWords(Study $before, Study $after, DataSource $data): string;
}
