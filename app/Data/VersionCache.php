<?php

declare(strict_types=1);

namespace App\Data;

use App\Models\CacheEntry;
use Illuminate\Database\Query\JoinClause;
use Illuminate\Support\Facades\DB;

/**
 * What is asked of a version of a data set with every edit, and is the same as long as the version and the names, units
 * and kinds are: kept beside the data, so that it goes where they go.
 *
 * It is deleted when another version is in force, or another description, which the database numbers by itself
 * (datasets.described). Of versions and descriptions that are not in force nothing is kept.
 */
final class VersionCache
{
    private const KIND = 'facts';

    /** @param array<string, mixed> $content */
    private function __construct(
        private readonly int $dataset,
        private readonly string $stamp,
        private readonly bool $isKept,
        private array $content,
    ) {}

    /** @param int|null $described number of the description; null for the latest */
    public static function of(int $dataset, int $version, ?int $described): self
    {
        // As it is in the database now: the model may have been read before it was described again.
        /** @var object{version: int, described: int, made_of: ?string, content: ?string}|null $row */
        $row = DB::table('datasets')
            ->leftJoin(
                'cache_entries',
                static fn(JoinClause $join): JoinClause => $join
                    ->on('cache_entries.of', '=', 'datasets.id')
                    ->where('cache_entries.kind', self::KIND),
            )
            ->where('datasets.id', $dataset)
            ->first(['datasets.version', 'datasets.described', 'cache_entries.made_of', 'cache_entries.content']);
        $stamp = $row === null ? '' : "{$row->version} {$row->described}";
        $isKept = $row !== null && $row->version === $version && in_array($described, [null, $row->described], true);
        /** @var array<string, mixed>|null $content */
        $content =
            $isKept && $row->made_of === $stamp && $row->content !== null
                ? json_decode($row->content, true, 16, JSON_THROW_ON_ERROR)
                : null;

        return new self($dataset, $stamp, $isKept, $content ?? []);
    }

    /**
     * @template T of array
     *
     * @param callable(): T $make what it is, of numbers, texts, lists and null
     * @return T
     */
    public function get(string $name, callable $make): array
    {
        if (!isset($this->content[$name])) {
            $this->content[$name] = $make();
            if ($this->isKept) {
                CacheEntry::keep(self::KIND, $this->dataset, $this->stamp, $this->content);
            }
        }

        /** @var T */
        return $this->content[$name];
    }
}
