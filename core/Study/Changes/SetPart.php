<?php

declare(strict_types=1);

namespace DuskRail\Study\Changes;

use DuskRail\Data\DataSource;
use DuskRail\Study\InvalidStudy;
use DuskRail\Study\Study;

/** Changes some of the settings of a view or of something that is drawn; the others stay. */
final readonly class SetPart implements Change
{
    /** @param array<string, mixed> $settings */
    private function __construct(private string $part, private array $settings) {}

    public static function name(): string
    {
        return 'set';
    }

    public static function from(array $input): self
    {
        $read = new Input($input);
        $part = $read->text('part');
        if (! isset(Study::PARTS[$part])) {
            throw InvalidStudy::because('There is no such part of a study: “'.mb_strimwidth($part, 0, 40, '…').'”.');
        }

        return new self($part, $read->map('settings'));
    }

    public function apply(Study $study, DataSource $data): Study
    {
        $class = Study::PARTS[$this->part];
        $changed = $study->withPart($this->part, $class::read([...$study->part($this->part)->toArray(), ...$this->settings]));
        $strangers = $this->part === 'peers' ? $changed->peers->target->unknownIn($data->entities()) : [];
        if ($strangers !== []) {
            throw InvalidStudy::because("The target is for “{$strangers[0]}”, and no entity is called that. Write the name as the roster has it, or its first word.");
        }
        // Of several measures that of the study is the one in focus, until others are chosen.
        $chosen = array_filter(array_keys($changed->focus), static fn(string $line): bool => Study::dimension($line) === 'm');

        return $changed->lines->across === 'measures' && $study->lines->across !== 'measures' && $chosen === []
            ? $changed->with(['focus' => [...$changed->focus, "m:{$study->measure}" => 1]])
            : $changed;
    }

    public function said(DataSource $data): string
    {
        return 'Set '.implode(', ', array_map(static fn(string $name, mixed $value): string => $name.(is_scalar($value) ? " to {$value}" : ''), array_keys($this->settings), $this->settings));
    }
}
