<?php

declare(strict_types=1);

namespace DuskRail\Document\Parts;

use DuskRail\Settings\HasSettings;
use DuskRail\Settings\Kinds\Choice;
use DuskRail\Settings\Kinds\Chosen;
use DuskRail\Settings\Kinds\Number;
use DuskRail\Settings\Kinds\Written;
use DuskRail\Settings\Names;
use DuskRail\Settings\ReadsSettings;
use DuskRail\Time\Period;
use DuskRail\Time\UnknownPeriod;

/**
 * One thing that is marked on the picture: an event, a spell, a value, or a point with a shape, a drop line or a note.
 */
final readonly class Mark implements HasSettings
{
    use ReadsSettings;

    private const KINDS = [
        'event' => 'event',
        'spell' => 'shaded period',
        'value' => 'reference line',
        'point' => 'marker',
        'drop' => 'marker with drop line',
        'note' => 'note',
    ];

    private const SHAPES = ['' => 'default', ...LookPart::SHAPES];

    /**
     * @param 'event'|'spell'|'value'|'point'|'drop'|'note' $kind
     * @param string $at period; of a spell its first
     * @param string $to last period of a spell
     * @param float|null $value on the vertical axis, where a value is marked
     * @param string $line key of the line that a point is of
     * @param string $shape of a point, one of LookPart::SHAPES
     * @param key-of<LookPart::SIZES> $size
     */
    public function __construct(
        #[Choice('kind', self::KINDS, lead: 'annotation')] public string $kind = 'event',
        #[Written('period', hint: '2022 or 2022-07', lead: 'period', allowed: 'a period')] public string $at = '',
        #[Written('last period', hint: 'of a shaded period', lead: 'end', allowed: 'a period')] public string $to = '',
        #[Number('value', hint: 'of a reference line')] public ?float $value = null,
        #[Chosen('line', of: Names::Lines, lead: 'line')] public string $line = '',
        #[Written('words', hint: 'for example: Programme starts', longest: 120, lead: 'text')] public string $text = '',
        #[Choice('shape', self::SHAPES, lead: 'marker')] public string $shape = '',
        #[Choice('size', ['small' => 'small', 'usual' => 'medium', 'large' => 'large'], lead: 'marker size')]
        public string $size = 'usual',
    ) {}

    public static function title(): string
    {
        return 'Annotation';
    }

    public function conflict(): ?string
    {
        if ($this->kind === 'value') {
            return $this->value === null ? 'enter a value.' : null;
        }
        foreach ($this->kind === 'spell' ? [$this->at, $this->to] : [$this->at] as $period) {
            try {
                Period::parse($period);
            } catch (UnknownPeriod $problem) {
                $which = $this->kind === 'spell' ? 'the periods in which it begins and ends' : 'a period';

                return $period === '' ? "enter {$which}, for example 2022-07." : $problem->getMessage();
            }
        }

        return $this->kind === 'note' && $this->text === '' ? 'enter a text for the note.' : null;
    }

    public function normalised(): static
    {
        $onPoint = in_array($this->kind, ['point', 'drop', 'note'], true);
        // A note points with its arrow, and needs no shape beside it.
        $usual = ['point' => 'ring', 'drop' => 'dot'][$this->kind] ?? 'none';

        return new self(
            $this->kind,
            $this->kind === 'value' ? '' : $this->at,
            $this->kind === 'spell' ? $this->to : '',
            $this->kind === 'value' ? $this->value : null,
            $onPoint ? $this->line : '',
            $this->text,
            $this->shape === '' ? $usual : $this->shape,
            $this->size,
        );
    }

    /** `shaded period, 2022-06 – 2022-09`; as it is in lists. */
    public function label(): string
    {
        $kind = self::KINDS[$this->kind];
        $where = $this->kind === 'value' ? (string) $this->value : trim("{$this->at} – {$this->to}", ' –');

        return "{$kind}, {$where}";
    }

    /** Whether it is of a time and not of a value or a line, and so the same for every study. */
    public function isOfTime(): bool
    {
        return in_array($this->kind, ['event', 'spell'], true);
    }
}
