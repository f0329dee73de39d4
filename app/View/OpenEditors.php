<?php

declare(strict_types=1);

namespace App\View;

use Illuminate\Http\Request;

/** The editors that are open in a window, which says so with every edit; what is in the others is not drawn. */
final readonly class OpenEditors
{
    public const HEADER = 'X-Open';

    /** @param list<string> $ids */
    private function __construct(private array $ids) {}

    public static function none(): self
    {
        return new self([]);
    }

    /** By the header, or by the address of a link that opens one. */
    public static function of(Request $request): self
    {
        $said = $request->header(self::HEADER) ?? $request->query('open');

        return new self(is_string($said) ? array_slice(explode(',', mb_strcut($said, 0, 200)), 0, 4) : []);
    }

    public function with(string $id): self
    {
        return new self([...$this->ids, $id]);
    }

    public function has(string $id): bool
    {
        return in_array($id, $this->ids, true);
    }
}
