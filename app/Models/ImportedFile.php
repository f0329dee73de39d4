<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * A file that was read into a data set, and how.
 *
 * @property int $id
 * @property string $name
 * @property int $rows
 */
final class ImportedFile extends Model
{
    protected $guarded = [];

    protected $casts = ['plan' => 'array'];
}
