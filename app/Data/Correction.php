<?php

declare(strict_types=1);

namespace App\Data;

use DuskRail\Data\Status;

/** One value set by hand, and what was there before. */
final readonly class Correction
{
    /**
     * @param string $measure key
     * @param string $entity key
     * @param int $ordinal of the period
     * @param float $old NAN where nothing was there
     * @param float $new NAN where nothing is to be there
     * @param Status $status of the old value
     * @param string $cell category of each breakdown that the measure is split by
     */
    public function __construct(
        public string $measure,
        public string $entity,
        public int $ordinal,
        public float $old,
        public float $new,
        public Status $status,
        public string $cell = '',
    ) {}

    /** @param array<string, mixed> $written as toArray() gives it; null where it is nothing of that kind */
    public static function fromArray(array $written): ?self
    {
        $text = static fn(string $name): string => is_string($written[$name] ?? null) ? $written[$name] : '';
        $figure = static fn(string $name): float => is_numeric($written[$name] ?? null) ? (float) $written[$name] : NAN;
        $ordinal = $written['ordinal'] ?? null;
        $status = $written['status'] ?? 0;
        if (!is_int($ordinal) || $text('measure') === '' || $text('entity') === '') {
            return null;
        }

        return new self(
            $text('measure'),
            $text('entity'),
            $ordinal,
            $figure('old'),
            $figure('new'),
            Status::tryFrom(is_int($status) ? $status : 0) ?? Status::Measured,
            $text('cell'),
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'measure' => $this->measure,
            'entity' => $this->entity,
            'ordinal' => $this->ordinal,
            'old' => is_nan($this->old) ? null : $this->old,
            'new' => is_nan($this->new) ? null : $this->new,
            'status' => $this->status->value,
            ...$this->cell === '' ? [] : ['cell' => $this->cell],
        ];
    }
}
