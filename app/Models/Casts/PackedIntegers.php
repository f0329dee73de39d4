<?php

declare(strict_types=1);

namespace App\Models\Casts;

use Illuminate\Contracts\Database\Eloquent\CastsAttributes;
use Illuminate\Database\Eloquent\Model;

/**
 * A list of integers as little-endian 64-bit numbers in a blob.
 *
 * @implements CastsAttributes<list<int>, list<int>>
 */
final class PackedIntegers implements CastsAttributes
{
    public function get(Model $model, string $key, mixed $value, array $attributes): array
    {
        /** @var array<int, int> $numbers counted from 1 */
        $numbers = is_string($value) && $value !== '' ? unpack('P*', $value) : [];

        return array_values($numbers);
    }

    public function set(Model $model, string $key, mixed $value, array $attributes): string
    {
        return self::packed($value ?? []);
    }

    /** @param list<int> $values */
    public static function packed(array $values): string
    {
        return pack('P*', ...$values);
    }
}
