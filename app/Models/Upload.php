<?php

declare(strict_types=1);

namespace App\Models;

use DuskRail\Reading\Dialect;
use DuskRail\Reading\Plan;
use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A file that was brought but not yet read into a data set.
 *
 * @property string $id
 * @property int|null $dataset_id
 * @property string $name
 * @property array{encoding: string, delimiter: string, skip: int} $dialect
 * @property array<string, mixed> $plan
 * @property Dataset|null $dataset
 */
final class Upload extends Model
{
    use HasUuids;

    protected $guarded = [];

    protected $casts = ['dialect' => 'array', 'plan' => 'array'];

    /** @return BelongsTo<Dataset, $this> */
    public function dataset(): BelongsTo
    {
        return $this->belongsTo(Dataset::class);
    }

    public function path(): string
    {
        return storage_path("app/uploads/{$this->id}");
    }

    public function progressPath(): string
    {
        return "{$this->path()}.progress";
    }

    public function readDialect(): Dialect
    {
        return Dialect::of($this->dialect['encoding'], $this->dialect['delimiter'], $this->dialect['skip']);
    }

    public function readPlan(): Plan
    {
        return Plan::fromArray($this->plan);
    }

    public function discard(): void
    {
        foreach ([$this->path(), $this->progressPath()] as $path) {
            if (is_file($path)) {
                unlink($path);
            }
        }
        $this->delete();
    }
}
