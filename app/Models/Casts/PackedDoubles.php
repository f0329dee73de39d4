<?php

declare(strict_types=1);

namespace App\Models\Casts;

use Illuminate\Contracts\Database\Eloquent\CastsAttributes;
use Illuminate\Database\Eloquent\Model;

/**
 * A list of floats as little-endian doubles in a blob, bit for bit; a missing value is NAN.
 *
 * @implements CastsAttributes<list<float>, list<float>>
 */
final class PackedDoubles implements CastsAttributes
{
    public function get(Model $model, string $key, mixed $value, array $attributes): array
    {
        return self::unpacked($value);
    }

    /** @return list<float> */
    public static function unpacked(mixed $value): array
    {
        /** @var array<int, float> $numbers counted from 1 */
        $numbers = is_string($value) && $value !== '' ? unpack('e*', $value) : [];

        return array_values($numbers);
    }

    public function set(Model $model, string $key, mixed $value, array $attributes): string
    {
        return self::packed($value ?? []);
    }

    /** @param list<float> $values */
    public static function packed(array $values): string
    {
        return pack('e*', ...$values);
    }
}
