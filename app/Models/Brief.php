<?php

declare(strict_types=1);

namespace App\Models;

use DuskRail\Document\Parts\PanelsPart;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\SoftDeletes;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * A page of several studies with text between, to hand over.
 *
 * @property int $id
 * @property string $name
 * @property Carbon|null $deleted_at since when it is in the bin
 * @property string $token
 * @property list<string>|null $controls what a reader may set, of ReaderChoices::CONTROLS
 * @property Carbon $updated_at
 * @property Collection<int, BriefBlock> $blocks
 */
final class Brief extends Record
{
    use SoftDeletes;

    protected $table = 'briefs';

    protected $guarded = [];

    protected $casts = ['controls' => 'array'];

    public static function begin(string $name): self
    {
        return self::create(['name' => $name, 'token' => Str::lower(Str::random(24))]);
    }

    /** @return HasMany<BriefBlock, $this> */
    public function blocks(): HasMany
    {
        return $this->hasMany(BriefBlock::class)->orderBy('place')->orderBy('id');
    }

    public function add(?Study $study, ?string $text): void
    {
        DB::transaction(function () use ($study, $text): void {
            $document = $study?->document();
            $this->blocks()->create([
                'place' => 1 + ($this->blocks()->reorder('place', 'desc')->first()->place ?? 0),
                'study_id' => $study?->id,
                'text' => $text,
                'view' => $document?->view,
                'split' => $document?->part(PanelsPart::class)->by,
            ]);
            $this->touch();
        });
    }

    /** Moves a block one place up or down. */
    public function move(BriefBlock $block, int $by): void
    {
        DB::transaction(function () use ($block, $by): void {
            $ids = $this->blocks()->pluck('id')->all();
            $at = array_search($block->id, $ids, true);
            if (is_int($at) && isset($ids[$at + $by])) {
                [$ids[$at], $ids[$at + $by]] = [$ids[$at + $by], $ids[$at]];
            }
            foreach ($ids as $place => $id) {
                BriefBlock::where('id', $id)->update(['place' => $place]);
            }
            $this->touch();
        });
    }
}
