<?php

declare(strict_types=1);

namespace App\Http;

use ErrorException;
use Illuminate\Session\FileSessionHandler;

/** Sessions in files; where none can be written, pages are still shown. */
final class KeptSessions extends FileSessionHandler
{
    public function write($sessionId, $data): bool
    {
        try {
            return parent::write($sessionId, $data);
        } catch (ErrorException) {
            return false;
        }
    }
}
