<?php

declare(strict_types=1);

namespace DuskRail\Chart;

/** An sRGB colour and what eyes make of it. */
final readonly class Colour
{
    /**
     * Colours as a dichromat sees them, in linear RGB: Machado, Oliveira and Fernandes (2009), “A Physiologically-based
     * Model for Simulation of Color Vision Deficiency”, severity 1.0 (coefficients from memory).
     */
    private const DEFICIENCIES = [
        'red' => [[0.152286, 1.052583, -0.204868], [0.114503, 0.786281, 0.099216], [-0.003882, -0.048116, 1.051998]],
        'green' => [[0.367322, 0.860646, -0.227968], [0.280085, 0.672501, 0.047413], [-0.01182, 0.04294, 0.968881]],
        'blue' => [[1.255528, -0.076749, -0.178779], [-0.078411, 0.930809, 0.147602], [0.004733, 0.691367, 0.3039]],
    ];

    /** @param array{float, float, float} $linear red, green and blue, 0 to 1, before gamma */
    private function __construct(private array $linear) {}

    public static function hex(string $hex): self
    {
        $linear = static function (int $at) use ($hex): float {
            $channel = hexdec(substr($hex, $at, 2)) / 255;

            return $channel <= 0.04045 ? $channel / 12.92 : (($channel + 0.055) / 1.055) ** 2.4;
        };

        return new self([$linear(1), $linear(3), $linear(5)]);
    }

    /** @param 'red'|'green'|'blue' $deficiency which cones are missing */
    public function seenWithout(string $deficiency): self
    {
        $channels = [];
        foreach (self::DEFICIENCIES[$deficiency] as $row) {
            $channels[] = min(
                1.0,
                max(0.0, $row[0] * $this->linear[0] + $row[1] * $this->linear[1] + $row[2] * $this->linear[2]),
            );
        }

        return new self([$channels[0], $channels[1], $channels[2]]);
    }

    /** Contrast ratio, 1 to 21: WCAG 2.2, definition of “contrast ratio”. */
    public function contrast(self $other): float
    {
        $a = $this->luminance();
        $b = $other->luminance();

        return (max($a, $b) + 0.05) / (min($a, $b) + 0.05);
    }

    public function difference(self $other): float
    {
        return self::deltaE00($this->lab(), $other->lab());
    }

    /** @return array{float, float, float} CIE L*, a*, b* under D65 */
    public function lab(): array
    {
        [$r, $g, $b] = $this->linear;
        $f = static fn(float $t): float => $t > 216 / 24389 ? $t ** (1 / 3) : ((24389 / 27) * $t + 16) / 116;
        $x = $f((0.4124564 * $r + 0.3575761 * $g + 0.1804375 * $b) / 0.95047);
        $y = $f(0.2126729 * $r + 0.7151522 * $g + 0.072175 * $b);
        $z = $f((0.0193339 * $r + 0.119192 * $g + 0.9503041 * $b) / 1.08883);

        return [116 * $y - 16, 500 * ($x - $y), 200 * ($y - $z)];
    }

    /**
     * CIEDE2000: Sharma, Wu and Dalal (2005), “The CIEDE2000 Color-Difference Formula”, equations 2 to 22.
     *
     * @param array{float, float, float} $one
     * @param array{float, float, float} $two
     */
    public static function deltaE00(array $one, array $two): float
    {
        [$l1, $a1, $b1] = $one;
        [$l2, $a2, $b2] = $two;
        $meanC = (hypot($a1, $b1) + hypot($a2, $b2)) / 2;
        $g = 0.5 * (1 - sqrt($meanC ** 7 / ($meanC ** 7 + 25 ** 7)));
        [$c1, $h1] = self::polar($a1 * (1 + $g), $b1);
        [$c2, $h2] = self::polar($a2 * (1 + $g), $b2);
        $turn = $c1 * $c2 === 0.0 ? 0.0 : $h2 - $h1;
        $turn += $turn > 180 ? -360 : ($turn < -180 ? 360 : 0);
        $dL = $l2 - $l1;
        $dC = $c2 - $c1;
        $dH = 2 * sqrt($c1 * $c2) * sin(deg2rad($turn) / 2);
        $l = ($l1 + $l2) / 2;
        $c = ($c1 + $c2) / 2;
        $h = match (true) {
            $c1 * $c2 === 0.0 => $h1 + $h2,
            abs($h1 - $h2) <= 180 => ($h1 + $h2) / 2,
            $h1 + $h2 < 360 => ($h1 + $h2 + 360) / 2,
            default => ($h1 + $h2 - 360) / 2,
        };
        $t =
            1 -
            0.17 * cos(deg2rad($h - 30)) +
            0.24 * cos(deg2rad(2 * $h)) +
            0.32 * cos(deg2rad(3 * $h + 6)) -
            0.2 * cos(deg2rad(4 * $h - 63));
        $sL = 1 + (0.015 * ($l - 50) ** 2) / sqrt(20 + ($l - 50) ** 2);
        $sC = 1 + 0.045 * $c;
        $sH = 1 + 0.015 * $c * $t;
        $rT = -sin(deg2rad(60 * exp(-((($h - 275) / 25) ** 2)))) * 2 * sqrt($c ** 7 / ($c ** 7 + 25 ** 7));

        return sqrt(($dL / $sL) ** 2 + ($dC / $sC) ** 2 + ($dH / $sH) ** 2 + $rT * ($dC / $sC) * ($dH / $sH));
    }

    private function luminance(): float
    {
        return 0.2126 * $this->linear[0] + 0.7152 * $this->linear[1] + 0.0722 * $this->linear[2];
    }

    /** @return array{float, float} radius, and angle in degrees from 0 to 360 */
    private static function polar(float $a, float $b): array
    {
        $angle = $a === 0.0 && $b === 0.0 ? 0.0 : rad2deg(atan2($b, $a));

        return [hypot($a, $b), $angle < 0 ? $angle + 360 : $angle];
    }
}
