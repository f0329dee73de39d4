<?php

declare(strict_types=1);

namespace DuskRail\Document\Parts;

use DuskRail\Settings\HasSettings;
use DuskRail\Settings\Kinds\Choice;
use DuskRail\Settings\Kinds\Chosen;
use DuskRail\Settings\Kinds\Number;
use DuskRail\Settings\Kinds\Written;
use DuskRail\Settings\ReadsSettings;
use DuskRail\Time\Period;
use DuskRail\Time\UnknownPeriod;

/**
 * One thing that is marked on the picture: an event, a spell, a value, or a point with a shape, a drop line or a note.
 */
final readonly class Mark implements HasSettings
{
    use ReadsSettings;

    private const SHAPES = ['' => 'as usual', ...LookPart::SHAPES];

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
        #[
            Choice(
                'kind',
                [
                    'event' => 'an event',
                    'spell' => 'a spell',
                    'value' => 'a value',
                    'point' => 'a point, with a shape',
                    'drop' => 'a point, with a drop line',
                    'note' => 'a point, with a note',
                ],
                lead: 'mark',
            ),
        ]
        public string $kind = 'event',
        #[Written('period', hint: 'a year or a period', lead: 'in', allowed: 'a period')] public string $at = '',
        #[Written('last period', hint: 'of a spell', lead: 'until', allowed: 'a period')] public string $to = '',
        #[Number('value', hint: 'of a value')] public ?float $value = null,
        #[Chosen('line', of: 'lines', lead: 'of')] public string $line = '',
        #[Written('words', hint: 'a few words', longest: 120, lead: 'saying')] public string $text = '',
        #[Choice('shape', self::SHAPES, lead: 'a point as')] public string $shape = '',
        #[
            Choice('size', ['small' => 'small', 'usual' => 'usual', 'large' => 'large'], lead: 'of size'),
        ]
        public string $size = 'usual',
    ) {}

    public static function title(): string
    {
        return 'Mark';
    }

    public function conflict(): ?string
    {
        if ($this->kind === 'value') {
            return $this->value === null ? 'say which value.' : null;
        }
        foreach ($this->kind === 'spell' ? [$this->at, $this->to] : [$this->at] as $period) {
            try {
                Period::parse($period);
            } catch (UnknownPeriod $problem) {
                $spell = $this->kind === 'spell' ? ' it begins and ends' : '';

                return $period === '' ? "say in which period{$spell}, as in 2022-07." : $problem->getMessage();
            }
        }

        return $this->kind === 'note' && $this->text === '' ? 'a note needs words.' : null;
    }

    public function settled(): static
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

    /** Whether it is of a time and not of a value or a line, and so the same for every study. */
    public function isOfTime(): bool
    {
        return in_array($this->kind, ['event', 'spell'], true);
    }
}
