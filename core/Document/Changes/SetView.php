<?php

declare(strict_types=1);

namespace DuskRail\Document\Changes;

use DuskRail\Data\DataSource;
use DuskRail\Document\InvalidStudy;
use DuskRail\Document\Parts\PanelsPart;
use DuskRail\Document\Study;
use DuskRail\Document\ViewCatalogue;
use DuskRail\Document\ViewKind;

/** Looks at the study another way: in another view, split into other panels. */
final readonly class SetView implements Change
{
    /** @param string|null $split what the panels are for; null where they stay as they are */
    private function __construct(private ViewKind $view, private ?string $split) {}

    public static function name(): string
    {
        return 'view';
    }

    public static function from(array $input): self
    {
        $read = new Input($input);
        $split = $read->textOr('split', '');

        return new self(
            ViewCatalogue::all()[$read->text('view')] ??
                throw InvalidStudy::because('No view has this name. Choose one on the right of the rail.'),
            $split === '' ? null : $split,
        );
    }

    public function apply(Study $study, DataSource $data): Study
    {
        $shown = $study->withView($this->view->name());
        $panels = $study->part(PanelsPart::class);

        return $this->split === null || $this->split === $panels->by
            ? $shown
            : $shown->withPart(PanelsPart::from([...$panels->settings(), 'by' => $this->split]));
    }

    public function inWords(Study $before, Study $after, DataSource $data): string
    {
        return $before->view === $after->view ? 'Change the panels' : "Switch to {$this->view->title()}";
    }
}
