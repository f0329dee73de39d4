<?php

declare(strict_types=1);

namespace Tests\Faults;

/** One small change of the code that a test should notice. */
final readonly class Fault
{
    /** @param int $start first byte of what is replaced in the file; @param int $end the byte after it */
    public function __construct(
        public string $kind,
        public string $file,
        public int $line,
        public int $start,
        public int $end,
        public string $was,
        public string $becomes,
    ) {}

    /** The code with the fault in it. */
    public function in(string $code): string
    {
        return substr($code, 0, $this->start) . $this->becomes . substr($code, $this->end);
    }

    /** Under which name a reason is known for it: without its line, which moves. */
    public function name(): string
    {
        return "{$this->file}: " . self::short($this->was) . ' → ' . self::short($this->becomes);
    }

    public function text(): string
    {
        $where = "{$this->file}:{$this->line}";

        return "{$where}  {$this->kind}: " . self::short($this->was) . ' → ' . self::short($this->becomes);
    }

    private static function short(string $code): string
    {
        return mb_strimwidth((string) preg_replace('/\s+/', ' ', $code), 0, 90, '…');
    }
}
