<?php

declare(strict_types=1);

namespace DuskRail\Study\Changes;

use DuskRail\Data\DataSource;
use DuskRail\Study\Band;
use DuskRail\Study\InvalidStudy;
use DuskRail\Study\Study;

/** What is drawn of the peers as a whole: a band, and the median or not. */
final readonly class SetPeers implements Change
{
    private function __construct(private Band $band, private bool $median) {}

    public static function name(): string
    {
        return 'peers';
    }

    public static function from(array $input): self
    {
        $read = new Input($input);

        return new self(
            Band::tryFrom($read->text('band')) ?? throw InvalidStudy::because('There is no such band.'),
            $read->textOr('median', '0') === '1',
        );
    }

    public function apply(Study $study, DataSource $data): Study
    {
        return $study->with(['band' => $this->band, 'median' => $this->median]);
    }

    public function said(DataSource $data): string
    {
        return "Draw {$this->band->label()}".($this->median ? ' and the median' : '');
    }
}
