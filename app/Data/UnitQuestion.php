<?php

declare(strict_types=1);

namespace App\Data;

use DuskRail\Data\Conversion;
use DuskRail\Data\Numerals;

/** A measure that a file gives in another unit than it is stored in, or in another size, and what is done about it. */
final readonly class UnitQuestion
{
    /** The answer that makes a measure of its own. */
    public const OWN = 'own';

    /**
     * @param float|null $factor that makes stored values of those in the file; null where none is known
     * @param string $answer a factor, or OWN
     */
    private function __construct(
        public string $measure,
        public string $from,
        public string $to,
        public ?float $factor,
        public string $answer,
    ) {}

    /**
     * @param string|null $answer as the user gave it; null for the likely one
     * @return self|null null where there is nothing to ask: the same in other letters, or no unit on one side
     */
    public static function of(string $measure, string $from, string $to, ?string $answer): ?self
    {
        $factor = Conversion::factor($from, $to);
        $isSilent = $factor === 1.0 || $from === '' || $to === '';
        if ($isSilent && ($answer === null || $answer === '1')) {
            return null;
        }
        $likely = $factor === null ? self::OWN : self::written($factor);

        return new self($measure, $from, $to, $factor === 1.0 ? null : $factor, $answer ?? $likely);
    }

    public function isOwn(): bool
    {
        return $this->answer === self::OWN;
    }

    /** What values of the file are multiplied by. */
    public function times(): float
    {
        return is_numeric($this->answer) ? (float) $this->answer : 1.0;
    }

    /** A factor as it is kept, in the shortest digits that give it again. */
    public static function written(float $factor): string
    {
        return (string) json_encode($factor);
    }

    /** @return array<array-key, string> what can be answered, in words */
    public function choices(): array
    {
        $stored = $this->to === '' ? 'as stored' : "in {$this->to}";
        $choices = [];
        foreach (array_unique(array_filter([$this->factor, $this->times()])) as $factor) {
            if ($factor !== 1.0) {
                $choices[self::written($factor)] = 'Multiply by ' . Numerals::plain($factor) . " to be {$stored}";
            }
        }

        return $choices + [
            '1' => "Store as they are, {$stored}",
            self::OWN => $this->from === '' ? 'A measure of its own' : "A measure of its own, in {$this->from}",
        ];
    }
}
