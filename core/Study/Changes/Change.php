<?php

declare(strict_types=1);

namespace DuskRail\Study\Changes;

use DuskRail\Data\DataSource;
use DuskRail\Study\InvalidStudy;
use DuskRail\Study\Study;

/** One edit of a study. Every edit there is, by whatever way it comes in, is one of these. */
interface Change
{
    /** Its name in requests: lower case, hyphens. */
    public static function name(): string;

    /** @param array<string, mixed> $input */
    public static function from(array $input): self;

    /**
     * @throws InvalidStudy when it makes no sense, with the reason and the remedy
     */
    public function apply(Study $study, DataSource $data): Study;

    /** What was done, for the list of revisions: `Focus on Tarrow`. */
    public function said(DataSource $data): string;
}
