<?php

declare(strict_types=1);

namespace App\View;

use Illuminate\Http\Request;

/**
 * Regions of the study page that a window has already. It says with an edit which, and those that would come out the
 * same are answered with their outermost tag alone; the window then leaves their children as they are. A region has an
 * id, by which the window finds it wherever it is.
 */
final readonly class Regions
{
    public const HEADER = 'X-Has';

    /** @param array<string, true> $known fingerprints */
    private function __construct(private array $known) {}

    public static function of(Request $request): self
    {
        $said = $request->header(self::HEADER);

        return new self(is_string($said) ? array_fill_keys(explode(',', mb_strcut($said, 0, 20_000)), true) : []);
    }

    /** @param string $html one element with what is in it */
    public function told(string $html): string
    {
        $html = trim($html);
        $fingerprint = hash('xxh64', $html);
        $end = (int) strpos($html, '>');
        $tag = substr($html, 0, $end) . " data-region=\"{$fingerprint}\"";
        if (!isset($this->known[$fingerprint])) {
            return $tag . substr($html, $end);
        }

        return "{$tag} hx-morph-skip-children></" . substr($html, 1, strcspn($html, " >\n") - 1) . '>';
    }
}
