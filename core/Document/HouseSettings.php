<?php

declare(strict_types=1);

namespace DuskRail\Document;

use DuskRail\Document\Parts\ConventionsPart;
use DuskRail\Settings\Embedded;
use DuskRail\Settings\HasSettings;
use DuskRail\Settings\Kinds\Choice;
use DuskRail\Settings\Kinds\Written;
use DuskRail\Settings\Names;
use DuskRail\Settings\ReadsSettings;

/** The settings of the house style: of the whole installation, and the conventions of new studies. */
final readonly class HouseSettings implements HasSettings
{
    use ReadsSettings;

    /** What stands for the source of the data in the wording of source lines. */
    public const SOURCE = '{source}';

    /** Locales of ICU that are offered, with their names. */
    public const LOCALES = [
        'en' => 'English',
        'cs' => 'Czech',
        'da' => 'Danish',
        'de' => 'German',
        'de-CH' => 'Swiss German',
        'es' => 'Spanish',
        'fi' => 'Finnish',
        'fr' => 'French',
        'it' => 'Italian',
        'nb' => 'Norwegian',
        'nl' => 'Dutch',
        'pl' => 'Polish',
        'pt' => 'Portuguese',
        'sv' => 'Swedish',
    ];

    /**
     * @param 'system'|'day'|'night' $ground
     * @param string $locale of ICU, by which numbers and months are written
     */
    public function __construct(
        #[Choice(
            'theme',
            ['system' => 'system setting', 'day' => 'light', 'night' => 'dark'],
            lead: 'theme',
            about: 'light or dark; readers can switch it',
        )]
        public string $ground = 'system',
        #[Choice(
            'numbers and months',
            self::LOCALES,
            lead: 'numbers and months',
            about: 'in charts, tables and values; text stays English',
            from: Names::Locales,
        )]
        public string $locale = 'en',
        #[Written(
            'source',
            lead: 'source',
            longest: 200,
            allowed: 'a text with `{source}` where the source of the data goes',
        )]
        public string $source = 'Source: {source}',
        #[Embedded] public ConventionsPart $conventions = new ConventionsPart(),
    ) {}

    public static function title(): string
    {
        return 'House style';
    }

    public function conflict(): ?string
    {
        return str_contains($this->source, self::SOURCE)
            ? null
            : 'Enter {source} where the source goes, for example “Source: {source}”.';
    }

    /** What is under a picture; nothing where the data have no source. */
    public function sourceLine(string $source): string
    {
        return $source === '' ? '' : str_replace(self::SOURCE, $source, $this->source);
    }
}
