<?php

declare(strict_types=1);

namespace DuskRail\Document\Changes;

use DuskRail\Data\DataSource;
use DuskRail\Document\Parts\PanelsPart;
use DuskRail\Document\Study;
use DuskRail\Document\ViewCatalogue;

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
        // What cannot be split is looked at as lines first.
        $study = ViewCatalogue::of($study)->defaultSplit() === null ? $study->withView('lines') : $study;
        $panels = $study->part(PanelsPart::class);
        $view = ViewCatalogue::of($study);
        $by = $view->isSplit($study) ? 'none' : $view->defaultSplit() ?? 'entity';

        return $study->withPart($panels->with(['by' => $by]));
    }

    public function inWords(Study $before, Study $after, DataSource $data): string
    {
        return $after->part(PanelsPart::class)->by === 'none' ? 'Turn panels off' : 'Turn panels on';
    }
}
