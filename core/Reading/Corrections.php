<?php

declare(strict_types=1);

namespace DuskRail\Reading;

use DuskRail\Time\PeriodReading;

/**
 * What a user changed of the way that a table was understood, by the names of its columns: so that the next file with
 * the same headings is read the same way.
 */
final readonly class Corrections
{
    /** Parts of a plan that hold for other files of the same kind; those of rows and of one year do not. */
    public const PARTS = [
        'notation',
        'frequency',
        'numbers',
        'duplicates',
        'measureName',
        'entityName',
        'unitName',
        'missing',
        'counted',
        'joined',
    ];

    /** Headings that tell tables apart. */
    private const HEADINGS = 60;

    /**
     * @param array<string, mixed> $layout `shape`, `heading` and `fills`, as far as they were changed
     * @param array<string, mixed> $parts of the plan, as far as they were changed, with `measures` and `benchmarks`
     * @param array<string, string> $roles by heading
     * @param array<string, string> $ways by heading
     * @param array<string, string> $units that the file had itself, by measure
     */
    private function __construct(
        public array $layout = [],
        public array $parts = [],
        public array $roles = [],
        public array $ways = [],
        public array $units = [],
    ) {}

    /** What a plan has other than the guess. */
    public static function of(Sample $sample, Plan $plan): self
    {
        $guess = Detection::of($sample)->plan;
        $layout = array_filter(
            [
                'shape' => $plan->shape === $guess->shape ? null : $plan->shape,
                'heading' => $plan->heading === $guess->heading ? null : $plan->heading ?? -1,
                'fills' => ($plan->arrangement->fill === null) === ($guess->arrangement->fill === null)
                    ? null
                    : $plan->arrangement->fill !== null,
            ],
            static fn(mixed $part): bool => $part !== null,
        );
        $base = (new self($layout))->appliedTo($sample)->toArray();
        $found = $plan->toArray();
        $parts = [];
        foreach (self::PARTS as $name) {
            $parts += $found[$name] === $base[$name] ? [] : [$name => $found[$name]];
        }
        foreach (['measures', 'benchmarks'] as $name) {
            $parts += $found[$name] === [] ? [] : [$name => $found[$name]];
        }

        return new self(
            $layout,
            $parts,
            self::changed($sample, $plan, $base['roles'] ?? [], $found['roles'] ?? []),
            self::changed($sample, $plan, $base['ways'] ?? [], $found['ways'] ?? []),
            isset($parts['measures']) ? self::unitsIn($sample, $plan) : [],
        );
    }

    /** @return array<string, string> units as the file says them, by measure */
    private static function unitsIn(Sample $sample, Plan $plan): array
    {
        $read = Benchmarks::firstRows($sample, $plan->with(['measures' => []]));
        $units = [];
        foreach ($read->measures ?? [] as $measure) {
            $units[$measure->name] = $measure->unit;
        }

        return $units;
    }

    /**
     * What was changed of columns that have a name of their own, and no period for one.
     *
     * @return array<string, string> by heading
     */
    private static function changed(Sample $sample, Plan $plan, mixed $before, mixed $now): array
    {
        $changed = [];
        foreach (is_array($now) ? $now : [] as $column => $text) {
            $heading = $sample->heading((int) $column, $plan->heading);
            $isOld = is_array($before) && ($before[$column] ?? null) === $text;
            if (!$isOld && is_string($text) && self::plain($heading) !== '@') {
                $changed[$heading] = $text;
            }
        }

        return $changed;
    }

    /** @param array<array-key, mixed> $kept as toArray() gives them */
    public static function from(array $kept): self
    {
        return new self(
            self::listed($kept['layout'] ?? null),
            self::listed($kept['parts'] ?? null),
            array_filter(self::listed($kept['roles'] ?? null), is_string(...)),
            array_filter(self::listed($kept['ways'] ?? null), is_string(...)),
            array_filter(self::listed($kept['units'] ?? null), is_string(...)),
        );
    }

    /** @return array<string, mixed> */
    private static function listed(mixed $given): array
    {
        $listed = [];
        foreach (is_array($given) ? $given : [] as $name => $one) {
            $listed[(string) $name] = $one;
        }

        return $listed;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return (array) $this;
    }

    public function isEmpty(): bool
    {
        return array_filter([$this->layout, $this->parts, $this->roles, $this->ways]) === [];
    }

    /**
     * How another table of the same kind is read with them.
     *
     * @throws NotATable|UnreadablePlan where it cannot be
     */
    public function appliedTo(Sample $sample): Plan
    {
        $heading = is_int($this->layout['heading'] ?? null) ? $this->layout['heading'] : null;
        $plan = Detection::of($sample, null, $heading)->plan;
        $fills = $this->layout['fills'] ?? null;
        $arrangement = is_bool($fills)
            ? $plan->arrangement->filling($fills, $sample, $plan->heading)
            : $plan->arrangement;
        $shape = is_string($this->layout['shape'] ?? null) ? TableShapes::find($this->layout['shape']) : null;
        if ($shape !== null || is_bool($fills)) {
            $plan = Detection::of($sample, $shape, $plan->heading ?? -1, $arrangement)->plan;
        }
        $columns = [];
        for ($column = 0, $count = $sample->breadth($plan->heading); $column < $count; $column++) {
            $columns[$sample->heading($column, $plan->heading)] ??= $column;
        }

        $ways = array_map(static fn(EventSummary $way): string => $way->value, $plan->events->aggregations);

        // A file that names its measure is of that one, in its unit.
        $isNamed = $plan->stated->measureName !== $sample->title() || $plan->stated->unit !== '';
        $plan = $plan->with([
            ...array_diff_key($this->parts, $isNamed ? ['measureName' => true, 'unitName' => true] : []),
            'roles' => self::byColumn($this->roles, $columns),
            'ways' => self::byColumn($this->ways, $columns) + $ways,
        ]);

        return $this->withOwnUnits($plan, $sample);
    }

    /** A file that says another unit than the last one keeps it: what was changed was of another. */
    private function withOwnUnits(Plan $plan, Sample $sample): Plan
    {
        if ($this->units === []) {
            return $plan;
        }
        $own = self::unitsIn($sample, $plan);
        $other = array_keys(array_diff_assoc(array_intersect_key($own, $this->units), $this->units));
        $measures = $plan->stated->measures;
        foreach ($other as $name) {
            unset($measures[$name]['unit']);
        }

        return $plan->with(['measures' => $measures]);
    }

    /**
     * @param array<string, string> $texts by heading
     * @param array<string, int> $columns by heading
     * @return array<int, string>
     */
    private static function byColumn(array $texts, array $columns): array
    {
        $found = [];
        foreach (array_intersect_key($texts, $columns) as $heading => $text) {
            $found[$columns[$heading]] = $text;
        }

        return $found;
    }

    /**
     * What files of one kind have in common: their headings without periods and numbers. Nothing without headings, and
     * of what this program has written, which says all of itself.
     */
    public static function kindOf(Sample $sample): string
    {
        if (isset($sample->notes()['periods'])) {
            return '';
        }
        $heading = Detection::of($sample)->plan->heading;
        $kind = [];
        for ($column = 0; $heading !== null && $column < min(self::HEADINGS, $sample->breadth($heading)); $column++) {
            $text = self::plain($sample->cell($heading, $column));
            if (end($kind) !== $text) {
                $kind[] = $text;
            }
        }

        return implode("\t", $kind);
    }

    /** A heading without its numbers; `@` for a period. */
    private static function plain(string $heading): string
    {
        $isPeriod =
            PeriodReading::detect([MarkedPeriod::of($heading)->period ?? $heading]) !== null ||
            PeriodReading::undated([$heading], 1) !== null;

        return $isPeriod ? '@' : (string) preg_replace('/\d+/', '#', mb_strtolower($heading));
    }
}
