<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A study or a paragraph of a brief.
 *
 * @property int $id
 * @property int $brief_id
 * @property int $place
 * @property int|null $study_id
 * @property string|null $text
 * @property Study|null $study
 */
final class BriefBlock extends Record
{
    public $timestamps = false;

    protected $table = 'brief_blocks';

    protected $guarded = [];

    /** @return BelongsTo<Study, $this> */
    public function study(): BelongsTo
    {
        return $this->belongsTo(Study::class);
    }
}
