<?php

declare(strict_types=1);

namespace App\Models;

use App\Data\Correction;
use App\Data\VersionKind;
use DuskRail\Reading\Account;
use Illuminate\Support\Carbon;

/**
 * A file that was read into a data set, and how.
 *
 * @property int $id
 * @property int $version of the data set that came of it
 * @property string $name
 * @property VersionKind $kind how the version came to be
 * @property string $note why, of a correction
 * @property int|null $described number of the last description that the version had; null for the latest version
 * @property array<string, mixed> $plan how it was read, or what was corrected
 * @property Carbon $created_at
 * @property int $rows
 */
final class ImportedFile extends Record
{
    protected $table = 'imported_files';

    protected $guarded = [];

    protected $casts = ['plan' => 'array', 'kind' => VersionKind::class];

    /** @return list<string> columns and rows of numbers that were not read, in words */
    public function leftOut(): array
    {
        return Account::inWords($this->plan['leftOut'] ?? null);
    }

    /** The value that was set by hand, where this is such a version. */
    public function correction(): ?Correction
    {
        return $this->kind === VersionKind::Correction ? Correction::fromArray($this->plan) : null;
    }
}
