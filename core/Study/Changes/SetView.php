<?php

declare(strict_types=1);

namespace DuskRail\Study\Changes;

use DuskRail\Data\DataSource;
use DuskRail\Study\InvalidStudy;
use DuskRail\Study\Study;
use DuskRail\Study\View;

/** Looks at the study another way. */
final readonly class SetView implements Change
{
    private function __construct(private View $view) {}

    public static function name(): string
    {
        return 'view';
    }

    public static function from(array $input): self
    {
        return new self(View::tryFrom((new Input($input))->text('view')) ?? throw InvalidStudy::because('There is no such view.'));
    }

    public function apply(Study $study, DataSource $data): Study
    {
        return $study->with(['view' => $this->view]);
    }

    public function said(DataSource $data): string
    {
        return "View {$this->view->label()}";
    }
}
