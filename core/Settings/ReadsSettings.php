<?php

declare(strict_types=1);

namespace DuskRail\Settings;

/** @phpstan-require-implements HasSettings */
trait ReadsSettings
{
    public static function from(array $settings): static
    {
        return Declaration::of(static::class)->read($settings);
    }

    public function settings(): array
    {
        return Declaration::of(static::class)->write($this);
    }

    public function conflict(): ?string
    {
        return null;
    }

    public function normalised(): static
    {
        return $this;
    }

    /**
     * The same with some settings changed.
     *
     * @param array<array-key, mixed> $settings as from() takes them
     *
     * @throws InvalidSetting
     */
    public function with(array $settings): static
    {
        return static::from([...$this->settings(), ...$settings]);
    }
}
