<?php

declare(strict_types=1);

namespace App\Drawing;

use DuskRail\Chart\Palette;
use DuskRail\Chart\Scene;
use RuntimeException;
use Symfony\Component\Process\Process;

/** A scene as a file to hand over. */
final readonly class Picture
{
    /** Of cairo's pictures, either way. */
    private const MOST_PIXELS = 32_767;

    public function __construct(private Scene $scene, private Palette $palette) {}

    /**
     * Self-contained SVG; the fonts are inside as WOFF2, Latin letters only, since that is all that fits in a picture.
     */
    public function svg(): string
    {
        $styles = '<style>';
        foreach (self::webFonts() as $family => $path) {
            $styles .=
                "@font-face{font-family:'{$family}';font-weight:200 900;src:url(data:font/woff2;base64," .
                base64_encode((string) file_get_contents($path)) .
                ") format('woff2')}";
        }

        return Svg::standalone($this->scene, $this->palette, "{$styles}</style>");
    }

    /**
     * @param int $times pixels of the picture for one of the screen
     *
     * @throws PictureTooLarge
     */
    public function png(int $times): string
    {
        $zoom = $this->scene->zoom * $times;
        [$width, $height] = [ceil($this->scene->width * $zoom), ceil($this->scene->height * $zoom)];
        if (max($width, $height) > self::MOST_PIXELS) {
            throw PictureTooLarge::of($width, $height, self::MOST_PIXELS);
        }

        return $this->converted(['--format=png', "--zoom={$times}", '--keep-aspect-ratio']);
    }

    /**
     * Scenes as the pages of one PDF, their text as text with the fonts inside; called as the first is.
     *
     * @param non-empty-list<Scene> $scenes
     */
    public static function pages(array $scenes, Palette $palette): string
    {
        $folder = sys_get_temp_dir() . '/dusk-rail-pages-' . bin2hex(random_bytes(6));
        mkdir($folder, 0o700);
        try {
            $paths = [];
            foreach ($scenes as $number => $scene) {
                $paths[] = $path = sprintf('%s/%03d.svg', $folder, $number);
                file_put_contents($path, Svg::standalone($scene, $palette, ''));
            }

            return PdfTitle::put(self::run(['--format=pdf', ...$paths], null), $scenes[0]->title);
        } finally {
            array_map(unlink(...), glob("{$folder}/*") ?: []);
            rmdir($folder);
        }
    }

    /** @param list<string> $options of rsvg-convert */
    private function converted(array $options): string
    {
        return self::run($options, Svg::standalone($this->scene, $this->palette, ''));
    }

    /** @param list<string> $options */
    private static function run(array $options, ?string $input): string
    {
        // librsvg takes its fonts from fontconfig and cannot use those inside the picture.
        $process = new Process(
            ['rsvg-convert', ...$options],
            null,
            ['FONTCONFIG_FILE' => self::fontConfiguration()],
            $input,
            60,
        );
        $process->run();
        if (!$process->isSuccessful()) {
            throw new RuntimeException("rsvg-convert could not draw the image: {$process->getErrorOutput()}");
        }

        return $process->getOutput();
    }

    /** @return array<string, string> path by family, for browsers */
    public static function webFonts(): array
    {
        $folder = config()->string('duskrail.fonts');

        return [
            'Source Sans 3' => "{$folder}/source-sans-3-latin-wght-normal.woff2",
            'Fraunces' => "{$folder}/fraunces-latin-wght-normal.woff2",
        ];
    }

    /** A fontconfig file that knows the shipped fonts and no others, so that every machine draws the same picture. */
    private static function fontConfiguration(): string
    {
        $path = storage_path('framework/cache/fonts.conf');
        $wanted =
            '<?xml version="1.0"?><!DOCTYPE fontconfig SYSTEM "urn:fontconfig:fonts.dtd"><fontconfig><dir>' .
            htmlspecialchars(config()->string('duskrail.fonts'), ENT_XML1) .
            '</dir><cachedir>' .
            htmlspecialchars(storage_path('framework/cache/fontconfig'), ENT_XML1) .
            '</cachedir></fontconfig>';
        if (!is_file($path) || file_get_contents($path) !== $wanted) {
            file_put_contents($path, $wanted, LOCK_EX);
        }

        return $path;
    }
}
