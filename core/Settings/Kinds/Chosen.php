<?php

declare(strict_types=1);

namespace DuskRail\Settings\Kinds;

use Attribute;
use DuskRail\Settings\Condition;
use DuskRail\Settings\Field;
use DuskRail\Settings\Names;
use DuskRail\Settings\Offer;
use DuskRail\Settings\Setting;
use DuskRail\Settings\UnfitValue;

/** The key of one thing that the data hold: an entity, a measure, a group. */
#[Attribute(Attribute::TARGET_PARAMETER)]
final readonly class Chosen extends Setting
{
    /**
     * @param Names $of what can be chosen
     * @param string|null $none label of the empty choice; null where one has to be chosen
     * @param string $missing why it cannot be empty, where it cannot
     * @param int $least how many there must be for a form to offer them
     * @param string $each how each is called, `%s` standing for its name
     * @param array<string, string|list<string>> $when
     * @param array<string, string> $leads
     */
    public function __construct(
        string $label,
        public Names $of,
        public ?string $none = null,
        public string $missing = '',
        public int $least = 0,
        public string $each = '%s',
        string $lead = '',
        array $when = [],
        ?Condition $if = null,
        array $leads = [],
        string $about = '',
        bool $shown = true,
    ) {
        parent::__construct($label, $lead, $shown, $when, $if, $leads, $about);
    }

    public function read(string $name, mixed $given, mixed $default): string
    {
        $key = is_scalar($given) ? trim((string) $given) : throw UnfitValue::because("“{$name}” must be a text.");
        if ($key === '' && $this->missing !== '') {
            throw UnfitValue::because($this->missing);
        }

        return $key;
    }

    public function field(string $name, mixed $value, Offer $offer, string $lead): ?Field
    {
        $names = $offer->names($this->of);
        if (count($names) < $this->least) {
            return null;
        }
        $options = $this->none === null ? [] : ['' => $this->none];
        foreach ($names as $key => $one) {
            $options[$key] = sprintf($this->each, $one);
        }

        return Field::choice($name, $lead, self::text($value), $options);
    }

    public function schema(): array
    {
        return ['type' => 'string', ...$this->missing === '' ? [] : ['minLength' => 1]];
    }

    public function allowed(): string
    {
        return 'one of the ' . $this->of->value . ($this->none === null ? '' : ", or nothing ({$this->none})");
    }

    public function inWords(mixed $value, Offer $offer): string
    {
        return $value === ''
            ? $this->none ?? 'nothing'
            : sprintf($this->each, $offer->names($this->of)[self::text($value)] ?? self::text($value));
    }
}
