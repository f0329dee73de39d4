<?php

declare(strict_types=1);

namespace DuskRail\Rail;

/** One sentence about a calculation that could mislead, with the settings of the stop that would mend it. */
final readonly class Remark
{
    /** @param array<string, scalar> $remedySettings settings to change at the stop; none when there is no remedy */
    private function __construct(
        public string $sentence,
        public string $detail,
        public string $remedy,
        public array $remedySettings,
    ) {}

    public static function saying(string $sentence, string $detail = ''): self
    {
        return new self($sentence, $detail, '', []);
    }

    /** @param array<string, scalar> $settings */
    public function withRemedy(string $label, array $settings): self
    {
        return new self($this->sentence, $this->detail, $label, $settings);
    }
}
