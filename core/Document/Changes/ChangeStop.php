<?php

declare(strict_types=1);

namespace DuskRail\Document\Changes;

use DuskRail\Data\DataSource;
use DuskRail\Document\DataOffer;
use DuskRail\Document\Study;
use DuskRail\Rail\PlacedStop;
use DuskRail\Settings\Declaration;

/** Changes some of a stop's settings; the others stay. */
final readonly class ChangeStop implements RailChange
{
    use FindsStop;

    /** @param array<string, mixed> $settings */
    private function __construct(private string $id, private array $settings) {}

    public static function name(): string
    {
        return 'change-stop';
    }

    public static function from(array $input): self
    {
        $read = new Input($input);

        return new self($read->text('id'), $read->map('settings'));
    }

    public function apply(Study $study, DataSource $data): Study
    {
        $placed = self::placed($study, $this->id);
        $stop = $placed->stop::from([...$placed->stop->settings(), ...$this->settings]);

        return $study->withRail($study->rail->replacing(new PlacedStop($placed->id, $stop, $placed->bypassed)));
    }

    public function inWords(Study $before, Study $after, DataSource $data): string
    {
        [$old, $new] = [self::placed($before, $this->id)->stop, self::placed($after, $this->id)->stop];
        $difference = Declaration::of($new::class)->difference($old, $new, DataOffer::of($after, $data));

        return "{$new::title()}: change {$difference}";
    }
}
