<?php

declare(strict_types=1);

namespace DuskRail\Document\Changes;

use DuskRail\Data\DataSource;
use DuskRail\Document\InvalidStudy;
use DuskRail\Document\Study;
use DuskRail\Document\ViewCatalogue;
use DuskRail\Document\ViewKind;

/** Looks at the study another way. */
final readonly class SetView implements Change
{
    private function __construct(private ViewKind $view) {}

    public static function name(): string
    {
        return 'view';
    }

    public static function from(array $input): self
    {
        $name = (new Input($input))->text('view');

        return new self(ViewCatalogue::all()[$name] ?? throw InvalidStudy::because('Unknown view. Reload the page.'));
    }

    public function apply(Study $study, DataSource $data): Study
    {
        return $study->withView($this->view->name());
    }

    public function inWords(Study $before, Study $after, DataSource $data): string
    {
        return "Switch to {$this->view->title()}";
    }
}
