<?php

declare(strict_types=1);

namespace DuskRail\Settings\Kinds;

use Attribute;
use BackedEnum;
use DuskRail\Settings\Condition;
use DuskRail\Settings\Field;
use DuskRail\Settings\Names;
use DuskRail\Settings\Offer;
use DuskRail\Settings\Setting;
use DuskRail\Settings\UnfitValue;

/**
 * One of a few words; a case of an enum where the property is one. In a label `{periods}` is what periods are called.
 */
#[Attribute(Attribute::TARGET_PARAMETER)]
final readonly class Choice extends Setting
{
    /** @var array<string, string> label by word */
    public array $options;

    /**
     * @param array<string, string> $options label by word; where none are given, those of the enum's label()
     * @param class-string<BackedEnum>|null $enum whose values the words are, where the property is an enum
     * @param array<string, Condition> $offeredIf condition of the data at hand under which an option is offered, by
     *     word
     * @param Names|null $from words that the data at hand offer, if not all make sense for them
     * @param array<string, string|list<string>> $when
     * @param array<string, string> $leads
     */
    public function __construct(
        string $label,
        array $options = [],
        public ?string $enum = null,
        string $lead = '',
        array $when = [],
        ?Condition $if = null,
        array $leads = [],
        string $about = '',
        bool $shown = true,
        public array $offeredIf = [],
        public ?Names $from = null,
        int $order = 0,
    ) {
        $this->options = $options === [] && $enum !== null ? self::labels($enum) : $options;
        parent::__construct($label, $lead, $shown, $when, $if, $leads, $about, $order);
    }

    public function read(string $name, mixed $given, mixed $default): mixed
    {
        $word = match (true) {
            $given instanceof BackedEnum => (string) $given->value,
            is_scalar($given) => trim((string) $given),
            default => throw UnfitValue::because("“{$name}” must be a text."),
        };
        if (!isset($this->options[$word])) {
            $words = array_map(strval(...), array_keys($this->options));
            throw UnfitValue::because("“{$name}” can be " . implode(', ', $words) . ", not “{$word}”.");
        }

        return $this->enum === null ? $word : $this->enum::from($word);
    }

    public function write(mixed $value): string
    {
        return $value instanceof BackedEnum ? (string) $value->value : self::text($value);
    }

    public function field(string $name, mixed $value, Offer $offer, string $lead): Field
    {
        $chosen = $this->write($value);
        $offered = $this->from === null ? $this->options : $offer->names($this->from);
        $options = [];
        foreach ($this->options as $word => $label) {
            $condition = $this->offeredIf[$word] ?? null;
            if (
                (isset($offered[$word]) && ($condition === null || $offer->holds($condition))) ||
                (string) $word === $chosen
            ) {
                $options[$word] = self::capital(self::worded($offered[$word] ?? $label, $offer));
            }
        }

        return Field::choice($name, self::worded($lead, $offer), $chosen, $options);
    }

    public function schema(): array
    {
        return ['enum' => array_map(strval(...), array_keys($this->options))];
    }

    public function allowed(): string
    {
        return implode(
            ', ',
            array_map(
                static fn(int|string $word): string => $word === '' ? 'nothing' : "`{$word}`",
                array_keys($this->options),
            ),
        );
    }

    public function inWords(mixed $value, Offer $offer): string
    {
        return self::worded($this->options[$this->write($value)] ?? '', $offer);
    }

    /**
     * @param class-string<BackedEnum> $enum
     * @return array<string, string>
     */
    private static function labels(string $enum): array
    {
        $labels = [];
        foreach ($enum::cases() as $case) {
            $label = method_exists($case, 'label') ? $case->label() : $case->value;
            $labels[(string) $case->value] = is_scalar($label) ? (string) $label : '';
        }

        return $labels;
    }

    private static function worded(string $text, Offer $offer): string
    {
        $periods = $offer->periods();

        return str_replace(
            ['{periods}', '{period}', '{Periods}'],
            [$periods, rtrim($periods, 's'), self::capital($periods)],
            $text,
        );
    }
}
