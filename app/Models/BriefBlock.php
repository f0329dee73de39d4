<?php

declare(strict_types=1);

namespace App\Models;

use DuskRail\Document\Parts\PanelsPart;
use DuskRail\Document\Study as StudyOfCore;
use DuskRail\Document\ViewCatalogue;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A study or a paragraph of a brief.
 *
 * @property int $id
 * @property int $brief_id
 * @property int $place
 * @property int|null $study_id
 * @property string|null $text
 * @property string|null $view that the study has in the brief; null where it goes with the study
 * @property string|null $split what its panels are for; null likewise
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

    /** The study as the brief shows it; null for a text. */
    public function document(): ?StudyOfCore
    {
        $document = $this->study?->document();
        if ($document === null || $this->view === null || !isset(ViewCatalogue::all()[$this->view])) {
            return $document;
        }
        $panels = $document->part(PanelsPart::class);

        return $document->withView($this->view)->withPart($panels->with(['by' => $this->split ?? $panels->by]));
    }
}
