<?php

declare(strict_types=1);

namespace DuskRail\Reading;

use DuskRail\Data\Benchmark;

/** Words by which columns, rows and remarks are known in tables of offices; common practice, no source. */
final class Vocabulary
{
    public const ENTITY =
        '/^(entity|entities|utility|company|organi[sz]ation|provider|operator|supplier|name|country|countries|' .
        'area|nation|region|municipality|site|plant|place|city|town|village|state|station|unit name|geo|' .
        'geography|ref area|' .
        'reporting area|location|district|county|province|ward|borough|parish|council|constituency|authority|' .
        'local authority|trust|practice|agency|department|division|branch|school|hospital|shop|store|land|kommune|' .
        'gemeinde|stadt|kreis|bezirk|kanton|canton|werk|anlage|betrieb|standort|filiale|pays|commune|ville|' .
        'département|région|país|ciudad|paese|comune|series|symbol|ticker|team|player|bank|airport|airline|' .
        'customer|person|subject)\b(?! (code|id|number)\b)/iu';

    /** Headings of what values are split by rather than of what is compared. */
    public const SPLIT =
        '/^(sex|gender|age|ethnicity|tariff|fuel|cause|reason|type|category|class|band|size|sector|industry|level|' .
        'status|kind|mode|product|grade|severity|geschlecht|alter|sexe|âge|edad|sexo)\b/iu';

    public const PERIOD =
        '/\b(period|date|month|year|quarter|week|day|time|opened|closed|jahr|monat|quartal|' .
        'woche|datum|tag|zeit|periode|kalenderwoche|yearweek|isoweek|epiweek|' .
        'année|mois|trimestre|semaine|jour|fecha|mes|año|data|' .
        'mese|anno|jaar|maand|rok|år|måned)\b/iu';

    public const MEASURE =
        '/^(measure|indicator|indic|variable|item|metric|what|statistic|kennzahl|merkmal|indicateur|series name)\b' .
        '(?! (code|id)\b)/i';

    public const UNIT = '/^(units?( of)?( measure)?|einheit|unité|unidad)$/i';

    public const MULTIPLIER = '/^unit mult(iplier)?$/i';

    public const STATUS = '/^((obs )?(status|flags?)|state of|quality)\b/i';

    /** What describes a value or the table, and tells no values apart. */
    public const ASIDE =
        '/^(dataflow|structure( id| name)?|action|freq(uency)?|decimals|last update|obs comment|note|notes|comment|' .
        'remark|footnote|source|time format|conf status)\b/i';

    /** Headings of plain numbers that are in order: of an age, of what came since. */
    public const ORDER =
        '/\b(age|since|lap|round|step|stage|dose|depth|distance|minutes?|hours?|days?|weeks?|' .
        'months?|time|cycle|trial|iteration)\b/i';

    /** Headings of times of day, or of their numbers, beside a date. */
    public const TIME_OF_DAY =
        '/^((local |start |end |utc )?(time|hours?|hrs?)( (ending|beginning|of( the)? day|no|number|utc|gmt|local))?|' .
        'hour ?(ending|beginning)|(settlement )?(period|interval)|half[ -]?hours?|clock|uhrzeit|stunde|zeit|heure|' .
        'hora|ora|uur|tijd|klokken|time of day)$/iu';

    public const ID = '/\b(id|job|case|ref|reference|ticket|order|invoice|number|no)\b/i';

    public const CODE = '/\b(code|iso[23]?|id|abbr(eviation)?|nuts|lau|fips|kürzel|schlüssel)\b/i';

    /** Headings of what only numbers the rows. */
    public const NUMBERED = '/^(.+ )?(id|nr|no|code|fips|index|objectid)$/i';

    public const GROUP = '/\b(group|class|type|region|category|kind|cluster|size)\b/i';

    public const VALUE = '/^((obs )?values?|figures?|amount|wert|valeur|valor)$/i';

    public const REMARK =
        '/^(source|sources|note|notes|quelle|quellen|anmerkung|hinweis|remarque|fuente|nota|fonte|stand|' .
        'data source|last updated?|updated|downloaded|created|contact|unit|units|einheit)\b\s*[:.]?|^[*†(©\d]\S*\s/iu';

    /** Names of categories of people and places, which split a measure and are none. */
    public const CATEGORY =
        '/^(fe)?males?$|^(wo)?men$|^(boys|girls|children|adults|day|night)$|' .
        '^(urban|rural|public|private)( areas?| sector)?$|' .
        '^(aged? )?\d{1,3}( ?(-|–|to|and|\+|years|over|under).*)?$|^(under|over|less than|more than) \d|' .
        '^(männer|frauen|männlich|weiblich|hommes|femmes|hombres|mujeres)$/iu';

    /** Names of what stands for all others together, alone. */
    private const TOTAL =
        '/^(grand[ -]?total|sub-?total|total|totals|sum|all|overall|together|gesamt|insgesamt|summe|alle|zusammen|' .
        'ensemble|tous|toutes|totale|totaal|total général|total general|todos|ambos sexos|both( sexes)?|' .
        'both genders|in total|altogether|totalt|i alt|razem|celkem)$/iu';

    private const MEAN =
        '/^(([\p{L}\d][\p{L}\d.&-]*,? ){0,4}(average|mean|avg\.?)|(average|mean|avg\.?) (of|for|across|over) .+|' .
        '\p{L}*(mittelwert|durchschnitt)|mittel|moyenne( .+)?|promedio( .+)?|' .
        'media( (nacional|nazionale|regional|regionale|general|generale|de|del|della|di) ?.*)?|' .
        'gemiddelde|gjennomsnitt|genomsnitt|landsgennemsnit|keskiarvo|średnia)$/iu';

    private const MEDIAN =
        '/^(([\p{L}\d][\p{L}\d.&-]*,? ){0,4}median|median (of|for|across|over) .+|médiane( .+)?|' .
        'mediana( .+)?|mediaan)$/iu';

    private const QUARTILE =
        '/^(([\p{L}\d][\p{L}\d.&-]* ){0,3}(quartile|quintile|decile)|\d{1,2}(st|nd|rd|th)? percentile)$/iu';

    private const TARGET =
        '/^(([\p{L}\d][\p{L}\d.&-]* ){0,3}(target|goal|zielwert|cible|objectif|objetivo|obiettivo)( value)?|ziel)' .
        '( (for |by )?\d{4})?$/iu';

    private const BENCHMARK = '/^(([\p{L}\d][\p{L}\d.&-]* ){0,3}benchmark|(the )?(whole )?world)$/iu';

    private const WHOLE_YEAR =
        '/^((full|whole|calendar|fiscal|financial|total) )?(year|jahr|année|annee|año|anno|jaar|år)' .
        '( (total|average|mean|sum))?$|^(annual|annually|yearly)( (total|average|mean|sum))?$|' .
        '^(gesamtjahr|jahressumme|jahresmittel|jahr gesamt|M13|Q05|S03)$/iu';

    /** A heading as words: `REF_AREA` is `REF AREA`. */
    public static function words(string $heading): string
    {
        return trim((string) preg_replace('/[_\s]+/', ' ', $heading));
    }

    /** Whether a label beside parts of a year is of all of them together. */
    public static function isWholeYear(string $label): bool
    {
        return preg_match(self::WHOLE_YEAR, trim($label, " \t:*")) === 1;
    }

    /** What an entity or category of that name stands for, where the name alone says so. */
    public static function benchmark(string $name): ?Benchmark
    {
        $name = trim((string) preg_replace('/\s*[(\[].*$|[*¹²³†:]+$/u', '', trim($name)));
        $says = static fn(string $pattern): bool => preg_match($pattern, $name) === 1;
        // `All districts`, `Total hospitals`: what follows is a plural in small letters, and no name.
        $many = '/^(all|total|alle|tous les|toutes les|total of|sum of) (the )?\p{Ll}[\p{Ll} -]*(s|en|er|e|n|es)$/iu';
        $whole = '/^(national|overall|sector|industry|regional|country|group|peer) total$/iu';

        return match (true) {
            $says(self::MEAN) => Benchmark::Mean,
            $says(self::MEDIAN) => Benchmark::Median,
            $says(self::QUARTILE) => Benchmark::Quartile,
            $says(self::TARGET) => Benchmark::Target,
            $says(self::BENCHMARK) => Benchmark::Other,
            $says(self::TOTAL), $says($many), $says($whole) => Benchmark::Total,
            default => null,
        };
    }

    /** Whether a category stands for all others of its breakdown, by its name or code. */
    public static function isTotal(string $category): bool
    {
        return self::benchmark($category) === Benchmark::Total ||
            preg_match(
                '/^(_?t|tot|_total|persons|total population|all \S+|both \S+|total .+|alle \S+)$/iu',
                trim($category),
            ) === 1;
    }

    /** A unit as people write it, for the codes that statistical offices use (SDMX code lists, from memory). */
    public static function unit(string $text): string
    {
        return match (strtoupper($text)) {
            'PC', 'PCT', 'PERCENT', 'PT' => '%',
            'NR', 'NUM', 'NUMBER', 'NBR', 'UNIT', 'PURE_NUMB', '_Z' => '',
            'PER', 'PS', 'PERS' => 'people',
            'IX', 'INX' => 'index',
            'EUR' => '€',
            'USD' => '$',
            'GBP' => '£',
            default => $text,
        };
    }
}
