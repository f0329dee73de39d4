<?php

declare(strict_types=1);

namespace App\Models;

use DuskRail\Document\Finish;
use DuskRail\Document\Parts\ConventionsPart;
use DuskRail\Document\Study as StudyOfCore;

/**
 * How everything that leaves this installation looks and is calculated unless somebody says otherwise: the finish and
 * the conventions of new studies, the hues of named entities, the wording of sources, and the ground. There is one.
 *
 * @property array<string, mixed>|null $finish
 * @property array<string, int> $hues by key of the entity
 * @property string $source with `{source}` where the source goes
 * @property 'system'|'day'|'night' $ground
 * @property string $locale of ICU, by which numbers and months are written
 * @property array<string, mixed>|null $conventions
 */
final class HouseFinish extends Record
{
    protected $table = 'house_finishes';

    protected $guarded = [];

    protected $attributes = [
        'finish' => null,
        'hues' => '{}',
        'source' => 'Source: {source}',
        'ground' => 'system',
        'locale' => 'en',
    ];

    protected $casts = ['finish' => 'array', 'hues' => 'array', 'conventions' => 'array'];

    public static function current(): self
    {
        return once(static fn(): self => self::query()->first() ?? new self());
    }

    public function sourceLine(string $source): string
    {
        return $source === '' ? '' : str_replace('{source}', $source, $this->source);
    }

    /** A new study as the house has it. */
    public function givenTo(StudyOfCore $study): StudyOfCore
    {
        $study = $study->withPart($this->conventions());

        return $this->finish === null ? $study : Finish::read($this->finish)->givenTo($study);
    }

    public function conventions(): ConventionsPart
    {
        return ConventionsPart::from($this->conventions ?? []);
    }
}
