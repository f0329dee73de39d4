<?php

declare(strict_types=1);

namespace DuskRail\Document\Changes;

use DuskRail\Data\DataSource;
use DuskRail\Document\DataOffer;
use DuskRail\Document\InvalidStudy;
use DuskRail\Document\LineState;
use DuskRail\Document\PartCatalogue;
use DuskRail\Document\Parts\LinesPart;
use DuskRail\Document\Parts\Part;
use DuskRail\Document\Parts\PeersPart;
use DuskRail\Document\Study;
use DuskRail\Settings\Declaration;

/** Changes some of the settings of a view or of something that is drawn; the others stay. */
final readonly class SetPart implements Change
{
    /**
     * @param class-string<Part> $part
     * @param array<string, mixed> $settings
     */
    private function __construct(private string $part, private array $settings) {}

    public static function name(): string
    {
        return 'set';
    }

    public static function from(array $input): self
    {
        $read = new Input($input);

        return new self(PartCatalogue::named($read->text('part')), $read->map('settings'));
    }

    public function apply(Study $study, DataSource $data): Study
    {
        $old = $study->part($this->part);
        $changed = $study->withPart($this->part::from([...$old->settings(), ...$this->settings]));
        $unknown = $changed->part(PeersPart::class)->target->unknownIn($data->entities());
        if ($this->part === PeersPart::class && $unknown !== []) {
            throw InvalidStudy::because(
                "No entity is called “{$unknown[0]}” (target). Enter the name as in the roster, or its first " .
                    'word.',
            );
        }
        // Of several measures that of the study is the one in focus, until others are chosen.
        $chosen = array_filter(
            array_keys($changed->focus),
            static fn(string $line): bool => Study::dimension($line) === 'm',
        );
        $turned =
            $changed->part(LinesPart::class)->across === 'measures' &&
            $study->part(LinesPart::class)->across !== 'measures';

        return $turned && $chosen === []
            ? $changed->withFocus([...$changed->focus, "m:{$study->measure}" => 1])
            : self::withGroups($changed, $study->part(LinesPart::class)->groups);
    }

    /**
     * Groups that become lines are what is looked at: in focus, as many as there are hues for.
     *
     * @param list<string> $before groups that were lines
     */
    private static function withGroups(Study $study, array $before): Study
    {
        foreach (array_diff($study->part(LinesPart::class)->groups, $before) as $group) {
            if (count($study->focus) < Study::MOST_FOCUS) {
                $study = $study->withState("g:{$group}", LineState::Focus);
            }
        }

        return $study;
    }

    public function inWords(Study $before, Study $after, DataSource $data): string
    {
        $difference = Declaration::of($this->part)->difference(
            $before->part($this->part),
            $after->part($this->part),
            DataOffer::of($after, $data),
        );

        return "{$this->part::title()}: change {$difference}";
    }
}
