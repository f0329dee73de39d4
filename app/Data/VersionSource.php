<?php

declare(strict_types=1);

namespace App\Data;

/** What a version of a data set comes from. */
final readonly class VersionSource
{
    /**
     * @param string $name of the file, or what stands for it
     * @param string $sha256 of the file
     * @param int $rows that were read
     * @param array<string, mixed> $plan how the file was read, or what was corrected
     * @param string $note why, of a correction
     */
    private function __construct(
        public VersionKind $kind,
        public string $name,
        public string $sha256,
        public int $rows,
        public array $plan,
        public string $note,
    ) {}

    /** @param array<string, mixed> $plan */
    public static function file(VersionKind $kind, string $name, string $sha256, int $rows, array $plan = []): self
    {
        return new self($kind, $name, $sha256, $rows, $plan, '');
    }

    public static function version(int $version): self
    {
        return new self(VersionKind::Restored, "version {$version}", str_repeat('0', 64), 0, [], '');
    }

    public static function merger(string $what): self
    {
        return new self(VersionKind::Merged, $what, str_repeat('0', 64), 0, [], '');
    }

    public static function correction(Correction $correction, string $why): self
    {
        $none = str_repeat('0', 64);

        return new self(VersionKind::Correction, 'corrected by hand', $none, 1, $correction->toArray(), $why);
    }
}
