<?php

declare(strict_types=1);

namespace DuskRail\Document\Changes;

use DuskRail\Data\DataSource;
use DuskRail\Document\InvalidStudy;
use DuskRail\Document\Parts\BeforeAfterPart;
use DuskRail\Document\Parts\Mark;
use DuskRail\Document\Parts\MarksPart;
use DuskRail\Document\Study;

/** Looks at what changed after an event that is annotated. */
final readonly class LookBeforeAfter implements Change
{
    private function __construct(private int $number) {}

    public static function name(): string
    {
        return 'before-after';
    }

    public static function from(array $input): self
    {
        $number = $input['number'] ?? '';

        return new self(is_numeric($number) ? (int) $number : -1);
    }

    public function apply(Study $study, DataSource $data): Study
    {
        $mark = $study->part(MarksPart::class)->marks[$this->number] ?? null;
        if (!($mark instanceof Mark) || $mark->kind !== 'event') {
            throw InvalidStudy::because('There is no such event among the annotations. It may have been removed.');
        }
        $settings = ['event' => $mark->at, 'called' => mb_substr($mark->text, 0, 60)];

        return $study
            ->withPart(BeforeAfterPart::from([...$study->part(BeforeAfterPart::class)->settings(), ...$settings]))
            ->withView('before-after');
    }

    public function inWords(Study $before, Study $after, DataSource $data): string
    {
        return 'Compare before and after ' . $after->part(BeforeAfterPart::class)->event->label();
    }
}
