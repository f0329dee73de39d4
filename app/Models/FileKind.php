<?php

declare(strict_types=1);

namespace App\Models;

use DuskRail\Reading\Corrections;
use DuskRail\Reading\Plan;
use DuskRail\Reading\Sample;
use DuskRail\Refusal;

/**
 * How files with certain headings were read when somebody had changed the guess.
 *
 * @property string $kind a digest of what the files have in common
 * @property string $file name of the last of them
 * @property array<string, mixed> $corrections
 */
final class FileKind extends Record
{
    protected $table = 'file_kinds';

    protected $guarded = [];

    protected $casts = ['corrections' => 'array'];

    /** Keeps what was changed of the guess for a file; nothing of one that was read as guessed. */
    public static function keep(Sample $sample, Plan $plan, string $file): void
    {
        $kind = self::kindOf($sample);
        if ($kind === '') {
            return;
        }
        $corrections = Corrections::of($sample, $plan);
        $corrections->isEmpty()
            ? self::where('kind', $kind)->delete()
            : self::updateOrCreate(
                ['kind' => $kind],
                ['file' => $file, 'corrections' => $corrections->toArray()],
            );
    }

    /** The way that the last file of its kind was read; null where it was read as guessed, or there was none. */
    public static function of(Sample $sample): ?self
    {
        $kind = self::kindOf($sample);

        return $kind === '' ? null : self::where('kind', $kind)->first();
    }

    /** The plan for another file of the kind; null where it cannot be read so. */
    public function planFor(Sample $sample): ?Plan
    {
        try {
            return Corrections::from($this->corrections)->appliedTo($sample);
        } catch (Refusal) {
            return null;
        }
    }

    private static function kindOf(Sample $sample): string
    {
        $kind = Corrections::kindOf($sample);

        return $kind === '' ? '' : hash('sha256', $kind);
    }
}
