<?php

declare(strict_types=1);

namespace App\View;

use App\Models\Brief;
use App\Models\Dataset;
use App\Models\Entity;
use App\Models\Measure;
use App\Models\Study;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;

/** What the first page lists: studies, briefs and data sets, all of them or those that are searched for. */
final readonly class FirstPage
{
    /** Studies at once; more come as one scrolls. */
    public const AT_ONCE = 11;

    private const DATASETS = 100;

    private const BRIEFS = 40;

    /**
     * @param Collection<int, Study> $studies the last changed first
     * @param array<int, StudyCard> $cards by id of the study; none where one is still to be made
     * @param Collection<int, Brief> $briefs
     * @param Collection<int, Dataset> $datasets
     * @param array<int, string> $spans by id of the data set
     * @param array<int, string> $because what of a data set was found, by its id
     * @param array{studies: int, briefs: int, datasets: int} $counts of all that there are
     */
    private function __construct(
        public string $search,
        public ?int $dataset,
        public int $page,
        public Collection $studies,
        public bool $hasMore,
        public array $cards,
        public Collection $briefs,
        public Collection $datasets,
        public array $spans,
        public array $because,
        public array $counts,
    ) {}

    /** @param int|null $dataset whose studies alone are listed */
    public static function of(string $search, ?int $dataset, int $page): self
    {
        $because = $search === '' ? [] : self::holding($search);
        $like = self::like($search);
        $studies = Study::with('dataset')
            ->whereHas('dataset')
            ->when($dataset !== null, static fn(Builder $query) => $query->where('dataset_id', $dataset))
            ->when(
                $search !== '',
                static fn(Builder $query) => $query->where(
                    static fn(Builder $found) => $found
                        ->whereRaw("name like ? escape '\\'", [$like])
                        ->orWhereIn('dataset_id', array_keys($because))
                        ->orWhereHas(
                            'dataset',
                            static fn(Builder $of) => $of->whereRaw("name like ? escape '\\'", [$like]),
                        ),
                ),
            )
            ->orderByDesc('updated_at')
            ->orderByDesc('id')
            ->offset(($page - 1) * self::AT_ONCE)
            ->limit(self::AT_ONCE + 1)
            ->get();
        $hasMore = $studies->count() > self::AT_ONCE;
        $studies = $studies->take(self::AT_ONCE);
        $isRest = $page > 1;
        $datasets = $isRest
            ? new Collection()
            : Dataset::withCount(['entities', 'measures'])
                ->addSelect(['studies_count' => Study::selectRaw('count(*)')->whereColumn('dataset_id', 'datasets.id')])
                ->with('measures')
                ->when(
                    $search !== '',
                    static fn(Builder $query) => $query->where(
                        static fn(Builder $found) => $found
                            ->whereRaw("name like ? escape '\\'", [$like])
                            ->orWhereIn('id', array_keys($because)),
                    ),
                )
                ->orderByDesc('updated_at')
                ->orderByDesc('id')
                ->limit(self::DATASETS)
                ->get();

        return new self(
            $search,
            $dataset,
            $page,
            $studies,
            $hasMore,
            StudyCard::kept($studies),
            $isRest
                ? new Collection()
                : Brief::withCount('blocks')
                    ->when($search !== '', static fn(Builder $q) => $q->whereRaw("name like ? escape '\\'", [$like]))
                    ->orderByDesc('updated_at')
                    ->limit(self::BRIEFS)
                    ->get(),
            $datasets,
            DatasetRow::spans($datasets),
            $because,
            [
                'studies' => Study::whereHas('dataset')->count(),
                'briefs' => Brief::count(),
                'datasets' => Dataset::count(),
            ],
        );
    }

    /**
     * Data sets that hold an entity or a measure of a name.
     *
     * @return array<int, string> what was found, by id
     */
    private static function holding(string $search): array
    {
        $found = [];
        foreach ([Measure::query(), Entity::query()] as $query) {
            $rows = $query
                ->whereRaw("name like ? escape '\\'", [self::like($search)])
                ->toBase()
                ->groupBy('dataset_id')
                ->limit(self::DATASETS)
                ->selectRaw('dataset_id, min(name) as name, count(*) as many')
                ->get();
            foreach ($rows as $row) {
                $others = is_numeric($row->many) ? (int) $row->many - 1 : 0;
                $more = $others > 0 ? " and {$others} more" : '';
                $id = is_numeric($row->dataset_id) ? (int) $row->dataset_id : 0;
                $found[$id] ??= 'has ' . (is_string($row->name) ? $row->name : '') . $more;
            }
        }

        return $found;
    }

    private static function like(string $search): string
    {
        return '%' . addcslashes($search, '%_\\') . '%';
    }
}
