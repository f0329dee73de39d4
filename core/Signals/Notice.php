<?php

declare(strict_types=1);

namespace DuskRail\Signals;

/** Something that would mislead, in one sentence with its numbers, and the change of the study that mends it. */
final readonly class Notice
{
    /**
     * @param string $id what it is dismissed by; the same for as long as it is the same thing
     * @param string $remedy label of the remedy, or nothing
     * @param array<string, mixed> $input of the change, its name under `change`
     */
    private function __construct(
        public string $id,
        public string $sentence,
        public string $detail = '',
        public string $remedy = '',
        public array $input = [],
    ) {}

    public static function saying(string $id, string $sentence, string $detail = ''): self
    {
        return new self($id, $sentence, $detail);
    }

    /** @param array<string, mixed> $input */
    public function withRemedy(string $label, string $change, array $input): self
    {
        return new self($this->id, $this->sentence, $this->detail, $label, ['change' => $change, ...$input]);
    }
}
