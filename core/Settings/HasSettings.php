<?php

declare(strict_types=1);

namespace DuskRail\Settings;

/**
 * Something whose constructor's properties are settings, each declared by an attribute (see Setting). Use with the
 * trait ReadsSettings, which does all of it.
 */
interface HasSettings
{
    /** What sentences about its settings begin with: `Rolling`. */
    public static function title(): string;

    /**
     * @param array<array-key, mixed> $settings as settings() gives them, or as a form sends them; what is left out is
     *     as usual
     *
     * @throws InvalidSetting
     */
    public static function from(array $settings): static;

    /** @return array<string, mixed> everything that from() needs to make it again, as JSON has it */
    public function settings(): array;

    /** Why these settings do not go together, and what would; null where they do. */
    public function conflict(): ?string;

    /** The same, with what makes no difference set to what is usual. */
    public function normalised(): static;
}
