<?php

declare(strict_types=1);

namespace DuskRail\Document;

use DuskRail\Data\DataSource;
use DuskRail\Document\Changes\RailChange;
use DuskRail\Document\Parts\Part;

/** What a document and its changes have to know of a view; Views/View says what else a view does. */
interface ViewKind
{
    /** Its name in study documents: lower case, hyphens. */
    public function name(): string;

    /** What its button says. */
    public function title(): string;

    /**
     * Parts of a study that it has settings in, in the order in which they are offered.
     *
     * @return list<class-string<Part>>
     */
    public function parts(): array;

    /** By what its picture is split into panels at first, as PanelsPart has it; null where it cannot be split. */
    public function defaultSplit(): ?string;

    /** Whether the picture is split into panels now. */
    public function isSplit(Study $study): bool;

    /** Of which dimension its lines are: `e` for entities and groups, `m` for measures, `y` for years. */
    public function dimension(Study $study): string;

    /** Whether it goes through the periods shown, from the first to the last, and not through those of a cycle. */
    public function showsRange(): bool;

    /** Carries a change of a rail out: of the study's own, or of another that the view shows. */
    public function changed(RailChange $change, Study $study, DataSource $data): Study;
}
