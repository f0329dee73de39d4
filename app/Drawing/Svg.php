<?php

declare(strict_types=1);

namespace App\Drawing;

use DuskRail\Chart\Area;
use DuskRail\Chart\Box;
use DuskRail\Chart\DenseLines;
use DuskRail\Chart\Dot;
use DuskRail\Chart\Group;
use DuskRail\Chart\Ink;
use DuskRail\Chart\Mark;
use DuskRail\Chart\Palette;
use DuskRail\Chart\Placed;
use DuskRail\Chart\Reused;
use DuskRail\Chart\Scene;
use DuskRail\Chart\Stroke;
use DuskRail\Chart\Words;

/**
 * Writes a scene as SVG 1.1. With a palette the colours are written out and the picture is alone; without one they
 * are left to the page's custom properties, so that day and night need no new picture.
 */
final readonly class Svg
{
    private const FAMILY = [
        'text' => "'Source Sans 3','Source Sans 3 Variable',sans-serif",
        'headline' => "Fraunces,'Fraunces Variable',serif",
    ];

    /** Ends of strokes in one path of a thicket. */
    private const ENDS = 1_000;

    /** @param string $prefix of the ids within, where several pictures are on one page */
    private function __construct(private ?Palette $palette, private string $prefix = '') {}

    /** @param array<string, string> $attributes of the svg element */
    public static function forScreen(Scene $scene, array $attributes, string $prefix = ''): string
    {
        return (new self(null, $prefix))->picture($scene, $attributes, '');
    }

    /** A picture of its own, with the fonts it needs inside. */
    public static function standalone(Scene $scene, Palette $palette, string $fontStyles): string
    {
        return '<?xml version="1.0" encoding="UTF-8"?>' .
            "\n" .
            (new self($palette))->picture(
                $scene,
                ['xmlns' => 'http://www.w3.org/2000/svg', 'role' => 'img', 'aria-labelledby' => 'title description'],
                '<title id="title">' .
                    self::escape($scene->title) .
                    '</title><desc id="description">' .
                    self::escape($scene->description) .
                    '</desc>' .
                    $fontStyles,
            );
    }

    /**
     * The pieces as path data in whole grains, each point from the one before: a third of the length of plain
     * coordinates. To be drawn under scale(grain). Points on a level run are left to its two ends.
     *
     * @param list<list<float>> $pieces
     */
    public static function path(array $pieces, float $grain = 0.1): string
    {
        $fine = 1 / $grain;
        $d = '';
        foreach ($pieces as $piece) {
            $count = count($piece);
            $x = (int) ($piece[0] * $fine + 0.5);
            $y = (int) ($piece[1] * $fine + 0.5);
            $d .= "M{$x} {$y}";
            if ($count === 2) {
                // A line with no length is drawn as a dot by its round caps.
                $d .= 'h.1';
                continue;
            }
            $d .= 'l';
            $level = 0;
            for ($i = 2; $i < $count; $i += 2) {
                $toX = (int) ($piece[$i] * $fine + 0.5);
                $toY = (int) ($piece[$i + 1] * $fine + 0.5);
                if ($toY === $y) {
                    $level += $toX - $x;
                } else {
                    $dy = $toY - $y;
                    $d .= $level !== 0 ? "{$level} 0 " : '';
                    $d .= $toX - $x . ($dy < 0 ? $dy : " {$dy}") . ' ';
                    $level = 0;
                    $y = $toY;
                }
                $x = $toX;
            }
            $d .= $level !== 0 ? "{$level} 0" : '';
        }

        return rtrim($d);
    }

    /** @param array<string, string> $attributes */
    private function picture(Scene $scene, array $attributes, string $head): string
    {
        $width = self::number($scene->width);
        $height = self::number($scene->height);
        [$shownWidth, $shownHeight] = [
            self::number($scene->width * $scene->zoom),
            self::number($scene->height * $scene->zoom),
        ];
        $svg =
            "<svg width=\"{$shownWidth}\" height=\"{$shownHeight}\" viewBox=\"0 0 {$width} {$height}\" font-family=\"" .
            self::FAMILY['text'] .
            '"' .
            self::attributes($attributes) .
            ">{$head}";
        $svg .= $this->definitions($scene);
        foreach ($scene->marks as $mark) {
            $svg .= $this->mark($mark);
        }

        return "{$svg}</svg>";
    }

    /** What is used in several places, and the shape that lines within limits are cut off by. */
    private function definitions(Scene $scene): string
    {
        $inside = '';
        foreach ($scene->shared as $id => $marks) {
            $inside .= "<g id=\"{$this->prefix}{$id}\">" . implode('', array_map($this->mark(...), $marks)) . '</g>';
        }
        $plot = $scene->plot;
        if ($plot !== null && self::hasClipped($scene->marks)) {
            $inside .= sprintf(
                '<clipPath id="' . $this->prefix . 'plot"><rect x="%s" y="%s" width="%s" height="%s"/></clipPath>',
                self::number($plot->left - 2),
                self::number($plot->top - 2),
                self::number($plot->right - $plot->left + 4),
                self::number($plot->bottom - $plot->top + 4),
            );
        }

        return $inside === '' ? '' : "<defs>{$inside}</defs>";
    }

    /** @param list<Mark> $marks */
    private static function hasClipped(array $marks): bool
    {
        foreach ($marks as $mark) {
            if (
                ($mark instanceof Group && $mark->clipped) ||
                (($mark instanceof Group || $mark instanceof Placed) && self::hasClipped($mark->marks))
            ) {
                return true;
            }
        }

        return false;
    }

    private function mark(Mark $mark): string
    {
        return match (true) {
            $mark instanceof Stroke => $this->stroke($mark),
            $mark instanceof Words => $this->words($mark),
            $mark instanceof DenseLines => $this->thicket($mark),
            $mark instanceof Group => $this->group($mark),
            $mark instanceof Box => $this->box($mark),
            $mark instanceof Area => sprintf(
                '<path transform="scale(.1)" d="%s" fill="%s"%s/>',
                ltrim(str_replace('M', 'ZM', self::path($mark->pieces)), 'Z') . 'Z',
                $this->ink($mark->ink),
                $mark->opacity < 1.0 ? " opacity=\"{$mark->opacity}\"" : '',
            ),
            $mark instanceof Dot => sprintf(
                '<circle cx="%s" cy="%s" r="%s" fill="%s"%s/>',
                self::number($mark->x),
                self::number($mark->y),
                self::number($mark->radius),
                $this->ink($mark->ink),
                $mark->opacity < 1.0 ? " fill-opacity=\"{$mark->opacity}\"" : '',
            ),
            $mark instanceof Reused => "<use href=\"#{$this->prefix}{$mark->id}\"/>",
            $mark instanceof Placed => sprintf(
                '<g transform="translate(%s %s)%s">%s</g>',
                self::number($mark->x),
                self::number($mark->y),
                $mark->zoom === 1.0 ? '' : " scale({$mark->zoom})",
                implode('', array_map($this->mark(...), $mark->marks)),
            ),
            default => '',
        };
    }

    private function stroke(Stroke $stroke): string
    {
        $dash =
            $stroke->dash === []
                ? ''
                : ' stroke-dasharray="' .
                    implode(
                        ' ',
                        array_map(
                            static fn(float $length): string => self::number($length / $stroke->grain),
                            $stroke->dash,
                        ),
                    ) .
                    '"';

        return '<path transform="scale(' .
            $stroke->grain .
            ')" d="' .
            self::path($stroke->pieces, $stroke->grain) .
            '" fill="none" stroke="' .
            $this->ink($stroke->ink) .
            '" stroke-width="' .
            self::number($stroke->width / $stroke->grain) .
            "\"{$dash} stroke-linejoin=\"round\" stroke-linecap=\"round\"/>";
    }

    /** Upright strokes as wide as a pixel, each from where the one before ended. */
    private function thicket(DenseLines $thicket): string
    {
        $paths = [];
        foreach (self::portions($thicket->columns()) as $columns) {
            $paths[] = '<path d="' . self::upright($columns) . '"/>';
        }

        return sprintf(
            '<g transform="scale(%s)" stroke="%s" stroke-width="%d" shape-rendering="crispEdges">%s</g>',
            1 / DenseLines::FINE,
            $this->ink($thicket->ink),
            DenseLines::FINE,
            implode('', $paths),
        );
    }

    /**
     * Columns in portions of some hundred strokes: what draws a picture takes the square of the strokes of one path.
     *
     * @param array<int, list<int>> $columns
     * @return iterable<array<int, list<int>>>
     */
    private static function portions(array $columns): iterable
    {
        $portion = [];
        $ends = 0;
        foreach ($columns as $column => $runs) {
            $portion[$column] = $runs;
            $ends += count($runs);
            if ($ends > self::ENDS) {
                yield $portion;
                [$portion, $ends] = [[], 0];
            }
        }
        yield $portion;
    }

    /** @param array<int, list<int>> $columns */
    private static function upright(array $columns): string
    {
        $d = '';
        [$x, $y] = [0, 0];
        foreach ($columns as $column => $runs) {
            $toX = DenseLines::FINE * $column + 1;
            for ($n = 0, $count = count($runs); $n < $count; $n += 2) {
                $d .= 'm' . ($toX - $x) . ($runs[$n] < $y ? $runs[$n] - $y : ' ' . $runs[$n] - $y);
                $d .= 'v' . ($runs[$n + 1] - $runs[$n]);
                [$x, $y] = [$toX, $runs[$n + 1]];
            }
        }

        return $d;
    }

    private function words(Words $words): string
    {
        if ($words->text() === '') {
            return '';
        }
        $runs = '';
        foreach ($words->runs as $run) {
            $runs .=
                count($words->runs) === 1
                    ? self::escape($run['text'])
                    : "<tspan fill=\"{$this->ink($run['ink'])}\" font-weight=\"{$run['weight']}\">" .
                        self::escape($run['text']) .
                        '</tspan>';
        }
        $first = $words->runs[0] ?? ['ink' => Ink::Text, 'weight' => 400];

        return sprintf(
            '<text x="%s" y="%s" font-size="%s"%s%s%s%s%s fill="%s">%s</text>',
            self::number($words->x),
            self::number($words->y),
            self::number($words->type->size),
            $words->type->headline ? ' font-family="' . self::FAMILY['headline'] . '"' : '',
            $first['weight'] === 400 ? '' : " font-weight=\"{$first['weight']}\"",
            $words->anchor === 'start' ? '' : " text-anchor=\"{$words->anchor}\"",
            count($words->runs) > 1 ? ' xml:space="preserve"' : '',
            $words->halo
                ? " stroke=\"{$this->ink(
                    Ink::Sheet,
                )}\" stroke-width=\"3\" stroke-linejoin=\"round\" paint-order=\"stroke\""
                : '',
            $this->ink($first['ink']),
            $runs,
        );
    }

    private function group(Group $group): string
    {
        if ($group->marks === []) {
            return '';
        }
        $facts = [];
        foreach ($group->facts as $name => $value) {
            $facts["data-{$name}"] = $value;
        }

        return '<g' .
            self::attributes([
                'class' => $group->role,
                ...$group->clipped ? ['clip-path' => "url(#{$this->prefix}plot)"] : [],
                ...$facts,
            ]) .
            '>' .
            implode('', array_map($this->mark(...), $group->marks)) .
            '</g>';
    }

    private function box(Box $box): string
    {
        return sprintf(
            '<rect x="%s" y="%s" width="%s" height="%s"%s fill="%s"%s/>',
            self::number($box->x),
            self::number($box->y),
            self::number($box->width),
            self::number($box->height),
            $box->radius > 0 ? ' rx="' . self::number($box->radius) . '"' : '',
            $this->ink($box->ink),
            $box->opacity < 1 ? ' opacity="' . $box->opacity . '"' : '',
        );
    }

    private function ink(Ink $ink): string
    {
        return $this->palette === null ? "var(--{$ink->value})" : $this->palette->colour($ink);
    }

    /** @param array<string, string> $attributes */
    private static function attributes(array $attributes): string
    {
        $text = '';
        foreach ($attributes as $name => $value) {
            $text .= " {$name}=\"" . self::escape($value) . '"';
        }

        return $text;
    }

    private static function number(float $number): string
    {
        return (string) round($number, 1);
    }

    private static function escape(string $text): string
    {
        // Control characters have no place in XML, escaped or not.
        return htmlspecialchars(
            (string) preg_replace('/[\x00-\x08\x0B\x0C\x0E-\x1F]/', '', mb_scrub($text)),
            ENT_QUOTES | ENT_XML1,
            'UTF-8',
        );
    }
}
