<?php

declare(strict_types=1);

namespace DuskRail\Document\Parts;

use DuskRail\Settings\Kinds\Choice;
use DuskRail\Settings\Kinds\Flag;
use DuskRail\Settings\Kinds\Number;
use DuskRail\Settings\Kinds\Written;
use DuskRail\Settings\ReadsSettings;

/** The vertical axis. */
final readonly class AxisPart implements Part
{
    use ReadsSettings;

    /**
     * @param 'cut'|'zero'|'both' $start where the values begin, at zero however far that is, or both side by side
     * @param bool $log in equal steps for equal ratios
     * @param float|null $low limit that was set; null for as the values have it
     * @param string $view the view that the limits were set in; in another they are let go
     * @param 'across'|'along'|'both'|'none' $grid lines at values, at times, at both, or at neither
     * @param bool $dashed whether the lines of the grid are
     */
    public function __construct(
        #[Choice(
            'start',
            ['cut' => 'fit to the data', 'zero' => 'zero', 'both' => 'both, side by side'],
            lead: 'axis start',
        )]
        public string $start = 'cut',
        #[Flag('scale', 'logarithmic', 'linear')] public bool $log = false,
        #[Number('lower limit', hint: 'automatic', lead: 'minimum')] public ?float $low = null,
        #[Number('upper limit', hint: 'automatic', lead: 'maximum')] public ?float $high = null,
        #[Written('view of the limits', allowed: 'name of the view that the limits were set in', shown: false)]
        public string $view = '',
        #[Choice(
            'grid',
            ['across' => 'horizontal', 'along' => 'vertical', 'both' => 'both', 'none' => 'none'],
            lead: 'grid lines',
        )]
        public string $grid = 'across',
        #[Flag('grid', 'dashed', 'solid', lead: 'drawn', when: ['grid' => ['across', 'along', 'both']])]
        public bool $dashed = false,
    ) {}

    public static function name(): string
    {
        return 'axis';
    }

    public static function title(): string
    {
        return 'Axis';
    }

    public function conflict(): ?string
    {
        return match (true) {
            $this->low !== null && $this->high !== null && $this->low >= $this->high
                => 'the lower limit must be below the upper one.',
            $this->log && (($this->low ?? 1.0) <= 0.0 || ($this->high ?? 1.0) <= 0.0)
                => 'a logarithmic axis needs limits above zero. Change them or leave them empty.',
            default => null,
        };
    }

    public function normalised(): static
    {
        return $this->hasLimits() || $this->view === '' ? $this : $this->with(['view' => '']);
    }

    /** @param 'cut'|'zero'|'both' $start */
    public function starting(string $start): self
    {
        return $this->with(['start' => $start]);
    }

    /** The lower limit that holds in a view; null where the values have it. */
    public function lowIn(string $view): ?float
    {
        return $this->view === $view ? $this->low : null;
    }

    public function hasLimits(): bool
    {
        return $this->low !== null || $this->high !== null;
    }
}
