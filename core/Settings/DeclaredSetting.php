<?php

declare(strict_types=1);

namespace DuskRail\Settings;

/** A setting with its name and what it is until somebody sets it. */
final readonly class DeclaredSetting
{
    /**
     * @param string $name of the property, as documents and forms have it
     * @param bool $required whether there is no default
     * @param mixed $default value of the property, not written
     * @param bool $nullable whether the property can be null
     */
    public function __construct(
        public string $name,
        public Setting $kind,
        public bool $required,
        public mixed $default,
        public bool $nullable,
    ) {}

    /** @return array<string, mixed> JSON Schema of the written value */
    public function schema(): array
    {
        $schema = $this->kind->schema();
        if (!$this->nullable && ($schema['type'] ?? null) === ['number', 'null']) {
            $schema['type'] = 'number';
        }

        return $this->required ? $schema : [...$schema, 'default' => $this->kind->write($this->default)];
    }
}
