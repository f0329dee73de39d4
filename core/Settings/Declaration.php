<?php

declare(strict_types=1);

namespace DuskRail\Settings;

use LogicException;
use ReflectionAttribute;
use ReflectionClass;
use ReflectionNamedType;
use ReflectionParameter;

/**
 * The settings of a class in the order in which they are declared, and all that follows from their declarations.
 *
 * @template T of HasSettings
 */
final class Declaration
{
    /** @var array<class-string, self<HasSettings>> */
    private static array $known = [];

    /**
     * @param class-string<T> $class
     * @param array<string, DeclaredSetting> $settings by name
     * @param array<string, self<HasSettings>> $embedded by the property that holds them
     */
    private function __construct(
        private readonly string $class,
        public readonly array $settings,
        private readonly array $embedded,
    ) {}

    /**
     * @template C of HasSettings
     *
     * @param class-string<C> $class
     * @return self<C>
     */
    public static function of(string $class): self
    {
        if (!isset(self::$known[$class])) {
            $settings = $embedded = [];
            foreach ((new ReflectionClass($class))->getConstructor()?->getParameters() ?? [] as $parameter) {
                $type = $parameter->getType();
                if ($parameter->getAttributes(Embedded::class) === []) {
                    $settings[$parameter->getName()] = self::declared($class, $parameter);
                } elseif ($type instanceof ReflectionNamedType && is_a($type->getName(), HasSettings::class, true)) {
                    $embedded[$parameter->getName()] = self::of($type->getName());
                }
            }
            /** @var self<HasSettings> $declaration */
            $declaration = new self($class, $settings, $embedded);
            self::$known[$class] = $declaration;
        }
        /** @var self<C> $declaration */
        $declaration = self::$known[$class];

        return $declaration;
    }

    /**
     * @param array<array-key, mixed> $given
     * @return T
     *
     * @throws InvalidSetting
     */
    public function read(array $given): HasSettings
    {
        $values = [];
        foreach ($this->settings as $name => $setting) {
            try {
                $values[$name] = self::valueOf($setting, $given[$name] ?? null);
            } catch (UnfitValue $unfit) {
                throw InvalidSetting::because($this->class::title(), $unfit->getMessage());
            }
        }
        foreach ($this->embedded as $name => $declaration) {
            $values[$name] = $declaration->read($given);
        }
        /** @var T $object */
        $object = (new ReflectionClass($this->class))->newInstanceArgs($values);
        $conflict = $object->conflict();
        if ($conflict !== null) {
            throw InvalidSetting::because($this->class::title(), $conflict);
        }

        return $object->normalised();
    }

    /** @return array<string, mixed> */
    public function write(HasSettings $of): array
    {
        $values = get_object_vars($of);
        $written = [];
        foreach ($this->settings as $name => $setting) {
            $written[$name] = $setting->kind->write($values[$name]);
        }
        foreach ($this->embedded($of) as [$declaration, $value]) {
            $written = [...$written, ...$declaration->write($value)];
        }

        return $written;
    }

    /** @return list<Field> what a form shows, in reading order: together the fields make a sentence */
    public function fields(HasSettings $of, Offer $offer): array
    {
        $values = get_object_vars($of);
        $written = $this->write($of);
        $fields = [];
        foreach ($this->settings as $name => $setting) {
            $kind = $setting->kind;
            if (
                !$kind->shown ||
                !self::fits($kind->when, $written) ||
                ($kind->if !== null && !$offer->holds($kind->if))
            ) {
                continue;
            }
            $field = $kind->field($name, $values[$name], $offer, self::lead($kind, $written));
            if ($field !== null) {
                $fields[$kind->order][] = $field;
            }
        }
        ksort($fields);
        $fields = array_merge(...$fields);
        foreach ($this->embedded($of) as [$declaration, $value]) {
            $fields = [...$fields, ...$declaration->fields($value, $offer)];
        }

        return $fields;
    }

    /**
     * What changed from one to the other, as a person would say it: `window to “24”, statistic to “median”`.
     */
    public function difference(HasSettings $before, HasSettings $after, Offer $offer): string
    {
        [$old, $new] = [get_object_vars($before), get_object_vars($after)];
        $parts = [];
        foreach ($this->settings as $name => $setting) {
            if ($setting->kind->write($old[$name]) !== $setting->kind->write($new[$name])) {
                $value = $setting->kind->inWords($new[$name], $offer);
                $parts[] = $setting->kind->label . ($value === '' ? '' : " to “{$value}”");
            }
        }

        $embedded = $this->embedded($after);
        foreach ($this->embedded($before) as $name => [$declaration, $value]) {
            $parts[] = $declaration->difference($value, $embedded[$name][1], $offer);
        }

        return implode(', ', array_filter($parts));
    }

    /** @return list<DeclaredSetting> with those that are embedded */
    public function all(): array
    {
        $all = array_values($this->settings);
        foreach ($this->embedded as $declaration) {
            $all = [...$all, ...$declaration->all()];
        }

        return $all;
    }

    /** @return array<string, mixed> JSON Schema of what write() gives; nothing in it has to be there */
    public function schema(): array
    {
        $properties = [];
        $required = [];
        foreach ($this->all() as $setting) {
            $properties[$setting->name] = $setting->schema();
            if ($setting->required) {
                $required[] = $setting->name;
            }
        }

        return [
            'type' => 'object',
            'properties' => $properties === [] ? (object) [] : $properties,
            ...$required === [] ? [] : ['required' => $required],
            'additionalProperties' => false,
        ];
    }

    /** @return array<string, array{self<HasSettings>, HasSettings}> by property */
    private function embedded(HasSettings $of): array
    {
        $values = get_object_vars($of);
        $embedded = [];
        foreach ($this->embedded as $name => $declaration) {
            $value = $values[$name];
            if ($value instanceof HasSettings) {
                $embedded[$name] = [$declaration, $value];
            }
        }

        return $embedded;
    }

    /** @param class-string $class */
    private static function declared(string $class, ReflectionParameter $parameter): DeclaredSetting
    {
        $attributes = $parameter->getAttributes(Setting::class, ReflectionAttribute::IS_INSTANCEOF);
        if (count($attributes) !== 1 || !$parameter->isPromoted()) {
            throw new LogicException("{$class}::\${$parameter->getName()} must be a property declared by one setting.");
        }

        return new DeclaredSetting(
            $parameter->getName(),
            $attributes[0]->newInstance(),
            !$parameter->isDefaultValueAvailable(),
            $parameter->isDefaultValueAvailable() ? $parameter->getDefaultValue() : null,
            $parameter->allowsNull(),
        );
    }

    private static function valueOf(DeclaredSetting $setting, mixed $given): mixed
    {
        if ($given === null && !$setting->required) {
            return $setting->default;
        }

        return $setting->kind->read($setting->name, $given ?? '', $setting->default);
    }

    /**
     * @param array<string, string|list<string>> $when
     * @param array<string, mixed> $written
     */
    private static function fits(array $when, array $written): bool
    {
        foreach ($when as $name => $values) {
            $is = $written[$name] ?? null;
            if (!in_array(is_scalar($is) ? (string) $is : '', (array) $values, true)) {
                return false;
            }
        }

        return true;
    }

    /** @param array<string, mixed> $written */
    private static function lead(Setting $kind, array $written): string
    {
        foreach ($kind->leads as $condition => $lead) {
            [$name, $value] = explode('=', $condition, 2);
            if (self::fits([$name => $value], $written)) {
                return Setting::capital($lead);
            }
        }

        return Setting::capital($kind->lead === '' ? $kind->label : ($kind->lead === '-' ? '' : $kind->lead));
    }
}
