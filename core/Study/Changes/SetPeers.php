<?php

declare(strict_types=1);

namespace DuskRail\Study\Changes;

use DuskRail\Data\DataSource;
use DuskRail\Study\PeerSummary;
use DuskRail\Study\Study;

/** What is drawn of the peers as a whole, and the target. */
final readonly class SetPeers implements Change
{
    private function __construct(private PeerSummary $peers) {}

    public static function name(): string
    {
        return 'peers';
    }

    public static function from(array $input): self
    {
        $read = new Input($input);
        $target = str_replace([',', ' '], '', $read->textOr('target', ''));

        return new self(PeerSummary::read([
            'line' => $read->text('line'),
            'band' => $read->text('band'),
            'group' => $read->textOr('group', ''),
            'target' => $target === '' ? null : $target,
        ]));
    }

    public function apply(Study $study, DataSource $data): Study
    {
        return $study->with(['peers' => $this->peers]);
    }

    public function said(DataSource $data): string
    {
        return 'Draw of the peers: '.$this->peers->line->label().', '.$this->peers->band->label();
    }
}
