<?php

declare(strict_types=1);

namespace DuskRail\Document\Changes;

use DuskRail\Data\DataSource;
use DuskRail\Document\InvalidStudy;
use DuskRail\Document\Study;

/** Puts a signal away for this study. */
final readonly class Dismiss implements Change
{
    private function __construct(private string $signal) {}

    public static function name(): string
    {
        return 'dismiss';
    }

    public static function from(array $input): self
    {
        $signal = (new Input($input))->text('signal');

        return new self(
            preg_match('/^[A-Za-z0-9#.-]{1,120}$/', $signal) === 1
                ? $signal
                : throw InvalidStudy::because('Unknown signal. Reload the page.'),
        );
    }

    public function apply(Study $study, DataSource $data): Study
    {
        return $study->withDismissed(array_values(array_unique([...$study->dismissed, $this->signal])));
    }

    public function inWords(Study $before, Study $after, DataSource $data): string
    {
        return 'Dismiss a signal';
    }
}
