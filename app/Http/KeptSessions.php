<?php

declare(strict_types=1);

namespace App\Http;

use ErrorException;
use Illuminate\Session\FileSessionHandler;
use Override;

/** Sessions in files; where none can be written, pages are still shown. What did not change is not written again. */
final class KeptSessions extends FileSessionHandler
{
    /** Share of a session's life after which it is written, changed or not, so that it lives on. */
    private const AGED = 0.1;

    /** @var array<string, string|false> by id, as they came from their files */
    private array $read = [];

    #[Override]
    public function read($sessionId): string|false
    {
        return $this->read[$sessionId] = parent::read($sessionId);
    }

    #[Override]
    public function write($sessionId, $data): bool
    {
        try {
            return $this->isKept($sessionId, $data) || parent::write($sessionId, $data);
        } catch (ErrorException) {
            return false;
        }
    }

    private function isKept(string $id, string $data): bool
    {
        return ($this->read[$id] ?? '') === $data &&
            (int) @filemtime("{$this->path}/{$id}") > time() - self::AGED * $this->minutes * 60;
    }
}
