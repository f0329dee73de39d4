<?php

declare(strict_types=1);

namespace DuskRail\Settings\Kinds;

use Attribute;
use DuskRail\Refusal;
use DuskRail\Settings\Field;
use DuskRail\Settings\InvalidSetting;
use DuskRail\Settings\Offer;
use DuskRail\Settings\Setting;
use DuskRail\Settings\UnfitValue;

/** A text that is kept as what it means. The property is of the class named. */
#[Attribute(Attribute::TARGET_PARAMETER)]
final readonly class Parsed extends Setting
{
    /**
     * @param class-string $class with parse(string), which refuses in words, and code() and label() that give texts
     * @param string $advice added to what parse() says is wrong
     * @param array<string, string|list<string>> $when
     */
    public function __construct(
        string $label,
        public string $class,
        public string $hint = '',
        public string $allowed = 'a text',
        public string $advice = '',
        string $lead = '',
        array $when = [],
        string $about = '',
        int $order = 0,
    ) {
        parent::__construct($label, $lead, true, $when, null, [], $about, $order);
    }

    public function read(string $name, mixed $given, mixed $default): object
    {
        if ($given instanceof $this->class) {
            return $given;
        }
        $text = is_scalar($given) ? trim((string) $given) : throw UnfitValue::because("“{$name}” must be a text.");
        try {
            $parse = [$this->class, 'parse'];
            $parsed = is_callable($parse) ? $parse($text) : null;
        } catch (InvalidSetting $problem) {
            throw $problem;
        } catch (Refusal $problem) {
            throw UnfitValue::because(trim("{$problem->getMessage()} {$this->advice}"));
        }

        return is_object($parsed) ? $parsed : throw UnfitValue::because("“{$name}” cannot be read.");
    }

    public function write(mixed $value): string
    {
        return self::call($value, 'code');
    }

    public function field(string $name, mixed $value, Offer $offer, string $lead): Field
    {
        return Field::text($name, $lead, $this->write($value), $this->hint);
    }

    public function schema(): array
    {
        return ['type' => 'string'];
    }

    public function allowed(): string
    {
        return $this->allowed;
    }

    public function inWords(mixed $value, Offer $offer): string
    {
        return self::call($value, 'label') ?: 'none';
    }

    private static function call(mixed $value, string $method): string
    {
        return is_object($value) && is_callable([$value, $method]) ? self::text(([$value, $method])()) : '';
    }
}
