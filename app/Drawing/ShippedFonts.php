<?php

declare(strict_types=1);

namespace App\Drawing;

use DuskRail\Chart\TextMeasure;
use DuskRail\Chart\Type;

/** Measures text in the TrueType files that the application ships, by GD; Latin script was measured beforehand. */
final class ShippedFonts implements TextMeasure
{
    /** Measured once, at a size at which rounding to whole pixels does not matter. */
    private const MEASURED_AT = 200.0;

    /** GD takes points at 96 dots an inch. */
    private const POINTS_PER_PIXEL = 0.75;

    /** @var array<string, array<string, float>> advance widths for size 1, by font file and character */
    private array $advances;

    public function __construct(private readonly string $folder)
    {
        /** @var array<string, array<string, float>> $measured written by bench/measure-fonts.php */
        $measured = is_file("{$folder}/advances.php") ? require "{$folder}/advances.php" : [];
        $this->advances = $measured;
    }

    public function width(string $text, Type $type): float
    {
        $file = self::file($type);
        $width = 0.0;
        foreach (mb_str_split($text) as $character) {
            $width += $this->advances[$file][$character] ??= self::measured("{$this->folder}/{$file}", $character);
        }

        return $width * $type->size;
    }

    public static function file(Type $type): string
    {
        return match (true) {
            $type->headline && $type->weight >= 800 => 'Fraunces_800ExtraBold.ttf',
            $type->headline => 'Fraunces_600SemiBold.ttf',
            $type->weight >= 700 => 'SourceSans3_700Bold.ttf',
            $type->weight >= 600 => 'SourceSans3_600SemiBold.ttf',
            default => 'SourceSans3_400Regular.ttf',
        };
    }

    /** The character between two others, less the two: the box alone would leave out the space beside the ink. */
    public static function measured(string $path, string $character): float
    {
        $size = self::MEASURED_AT * self::POINTS_PER_PIXEL;
        $width = static function (string $text) use ($path, $size): float {
            /** @var array<int, int>|false $box corners of the text, lower left first */
            $box = imagettfbbox($size, 0, $path, $text);

            return $box === false ? 0.0 : (float) ($box[2] - $box[0]);
        };

        return ($width("H{$character}H") - $width('HH')) / self::MEASURED_AT;
    }
}
