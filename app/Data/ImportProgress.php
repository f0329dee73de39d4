<?php

declare(strict_types=1);

namespace App\Data;

/**
 * What the process of an import and the page that waits for it tell each other, in files beside the uploaded one: how
 * far it is, and that it is to stop.
 */
final readonly class ImportProgress
{
    /** Seconds after which a run that tells nothing counts as killed. */
    private const SILENT = 60;

    /** File whose time of change is the last sign of life. */
    public string $path;

    private string $cancelPath;

    public function __construct(string $upload)
    {
        $this->path = "{$upload}.progress";
        $this->cancelPath = "{$upload}.cancel";
    }

    /** Notes how many rows are read, and how many cells could not be. */
    public function tell(int $rows, int $problems): void
    {
        file_put_contents($this->path, "{$rows} {$problems}");
    }

    public function rows(): int
    {
        return $this->told(0);
    }

    /** How many cells could not be read. */
    public function problems(): int
    {
        return $this->told(1);
    }

    private function told(int $part): int
    {
        $told = is_file($this->path) ? explode(' ', (string) file_get_contents($this->path)) : [];

        return (int) ($told[$part] ?? 0);
    }

    public function isSilent(): bool
    {
        clearstatcache();

        return !is_file($this->path) || time() - (int) filemtime($this->path) > self::SILENT;
    }

    public function cancel(): void
    {
        touch($this->cancelPath);
    }

    public function isCancelled(): bool
    {
        clearstatcache();

        return is_file($this->cancelPath);
    }

    /** Takes back an order to stop that an earlier run did not live to see. */
    public function allow(): void
    {
        if ($this->isCancelled()) {
            unlink($this->cancelPath);
        }
    }

    public function discard(): void
    {
        foreach (array_filter([$this->path, $this->cancelPath], is_file(...)) as $path) {
            unlink($path);
        }
    }
}
