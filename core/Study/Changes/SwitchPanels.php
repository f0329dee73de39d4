<?php

declare(strict_types=1);

namespace DuskRail\Study\Changes;

use DuskRail\Data\DataSource;
use DuskRail\Study\Parts\PanelsPart;
use DuskRail\Study\Study;
use DuskRail\Study\View;

/** Splits the picture into panels, one for each line, or puts it together again. */
final readonly class SwitchPanels implements Change
{
    public static function name(): string
    {
        return 'panels';
    }

    public static function from(array $input): self
    {
        return new self();
    }

    public function apply(Study $study, DataSource $data): Study
    {
        $study = $study->view->splits() ? $study : $study->with(['view' => View::Lines]);
        // What cannot be split by line (a stack, a scatter) is split by group.
        $by = in_array($study->view, [View::Stack, View::Scatter], true) ? 'group' : 'entity';

        return $study->withPart('panels', PanelsPart::read([...$study->panels->toArray(), 'by' => $study->panels->by === 'none' ? $by : 'none']));
    }

    public function said(DataSource $data): string
    {
        return 'Split into panels, or not';
    }
}
