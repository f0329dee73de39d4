<?php

declare(strict_types=1);

namespace DuskRail\Settings;

/**
 * One setting of a stop or of a part of a study, declared as an attribute of the constructor's property that holds it.
 *
 * Its name and default are those of the property. Reading and writing it, its field in a form, its JSON Schema, its row
 * in docs/settings.md and the words of an edit all come from here. To add a kind of setting: write a class in Kinds.
 */
abstract readonly class Setting
{
    /**
     * @param string $label what it is called in the words of an edit and in the docs: `window`
     * @param string $lead what is before its field in a form; the label where nothing is given
     * @param bool $shown whether a form has a field for it; others are set where they are drawn
     * @param array<string, string|list<string>> $when written values of other settings that it is possible with, by
     *     name; a form shows its field only then
     * @param Condition|null $if under which a form shows it
     * @param array<string, string> $leads other leads, by `name=value` of another setting
     * @param string $about what it does, in half a sentence, for the docs
     * @param int $order place of its field in the form: those of lower numbers come first, of equal ones as declared
     */
    public function __construct(
        public string $label,
        public string $lead = '',
        public bool $shown = true,
        public array $when = [],
        public ?Condition $if = null,
        public array $leads = [],
        public string $about = '',
        public int $order = 0,
    ) {}

    /**
     * @param mixed $given as a document or a form has it, never null
     * @param mixed $default of the property
     *
     * @throws UnfitValue with what it can be
     */
    abstract public function read(string $name, mixed $given, mixed $default): mixed;

    /** The value as a document has it. */
    public function write(mixed $value): mixed
    {
        return $value;
    }

    /** Its field in a form, or null where there is nothing to choose. */
    abstract public function field(string $name, mixed $value, Offer $offer, string $lead): ?Field;

    /** @return array<string, mixed> JSON Schema of what write() gives */
    abstract public function schema(): array;

    /** What it can be, for the docs. */
    abstract public function allowed(): string;

    /** A value as a person would say it; nothing where there is no short word for it. */
    abstract public function inWords(mixed $value, Offer $offer): string;

    /** A label or an option begins with a capital. */
    public static function capital(string $words): string
    {
        return mb_strtoupper(mb_substr($words, 0, 1)) . mb_substr($words, 1);
    }

    protected static function text(mixed $value): string
    {
        return is_scalar($value) ? (string) $value : '';
    }
}
