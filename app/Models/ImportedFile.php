<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * A file that was read into a data set, and how.
 *
 * @property int $id
 * @property int $version of the data set that came of it
 * @property string $name
 * @property string $way `laid over`, `in place`, `attributes`, `correction`, `restored`
 * @property string $note why, of a correction
 * @property array<string, mixed> $plan how it was read, or what was corrected
 * @property Carbon $created_at
 * @property int $rows
 */
final class ImportedFile extends Model
{
    protected $guarded = [];

    protected $casts = ['plan' => 'array'];
}
