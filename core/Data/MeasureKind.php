<?php

declare(strict_types=1);

namespace DuskRail\Data;

/**
 * What may be done to a measure: a flow adds up over time, a stock is a level at a moment, a rate is a ratio
 * already.
 */
enum MeasureKind: string
{
    case Flow = 'flow';
    case Stock = 'stock';
    case Rate = 'rate';

    public function meaning(): string
    {
        return match ($this) {
            self::Flow => 'flow (can be summed over time)',
            self::Stock => 'stock (level at a point in time)',
            self::Rate => 'rate (a ratio, cannot be summed)',
        };
    }

    /** What a ratio is called; common practice, no source, as the two below. */
    private const QUOTIENTS =
        '/%|‰|\bper\b(?! day\b)|\bpro\b(?! tag\b)|(?<!and)\/(?!or\b)|' .
        '\b(rates?|ratio|share|index|indices|percent|percentage|pct|quote|anteil|' .
        'taux|part des|tasa|tasso|density|intensity|average|mean|median|yield|score|satisfaction|punctuality|' .
        'expectancy|mortality|prevalence|incidence|efficiency|coefficient|probability|quota|per cent|per capita|' .
        'per head|gini|margin|durchschnitt|moyenne|lebenserwartung|dichte|espérance|ph|occupancy|utili[sz]ation|' .
        'growth|inflation|avg|expect|life exp|duration|lead times?|waiting times?|response times?|turnaround|' .
        'length of stay|time to|temps moyen|dauer|durée|wartezeit)\b|\bage( of .+)?$|' .
        '(rate|quote|dichte|index|anteil)$/u';

    /** What happens over a period, and adds up. */
    private const FLOWS =
        '/\b(admissions?|passengers?|complaints?|visits?|visitors?|nights|sales|sold|revenues?|receipts|turnover|' .
        'costs?|spending|spend|spent|expenditures?|expenses|outlay|production|produced|generation|generated|' .
        'consumption|consumed|use|usage|demand|supply|supplied|emissions?|emitted|waste|rain|rainfall|precipitation|' .
        'snowfall|births?|deaths?|accidents?|incidents?|crimes?|offences|cases|casualties|injuries|trips?|journeys?|' .
        'rides?|flights?|arrivals?|departures?|imports?|exports?|bursts?|leakage|leaks?|losses|loss|lost|calls?|' .
        'orders?|applications?|starts|completions|permits|investments?|income|earnings|profits?|tax|taxes|output|' .
        'harvest|catch|crops?|donations?|repairs?|failures?|outages?|faults?|inspections?|tests|treatments?|' .
        'operations|procedures|discharges|attendances?|deliveries|shipments?|downloads?|clicks|views|payments?|' .
        'transactions?|kilomet(er|re)s|mileage|traffic|migration|immigrants|emigrants|marriages|divorces|' .
        'budget|wages|salaries|dividends|gdp|gross|abstraction|abstracted|withdrawals?|pumped|treated|collected|' .
        'appeals?|judge?ments?|rulings?|convictions?|arrests?|claims?|referrals?|registrations?|hires?|joiners|' .
        'leavers|resignations|working days|business days|school days|days lost|hours worked|man-hours|overtime|' .
        'recycled|landfilled|rework|defects|events?|alarms|interruptions|switched|planted|felled|sent|received|' .
        'einnahmen|ausgaben|umsatz|verbrauch|erzeugung|abfall|niederschlag|geburten|geborene|todesfälle|' .
        'sterbefälle|gestorbene|unfälle|fahrgäste|kosten|übernachtungen|besucher|produktion|ernte|menge|' .
        'consommation|dépenses|recettes|naissances|décès|ventas|gastos|consumo|nacimientos)\b/u';

    /** What is waiting, installed or employed is there, whatever it does. */
    private const THERE =
        '/\b(waiting|awaiting|pending|unresolved|undecided|unpaid|overdue|caseload|on hand|in hand|in progress|' .
        'in stock|stocks?|installed|capacity|outstanding|backlog|fleet|(at )?(year|month|quarter|period) ?-?end|' .
        'end of (the )?(year|month|quarter|period)|offen|rückstand|en attente|pendientes)\b/u';

    /** What was done with something in a period, by any word that says so, but for what describes what is there. */
    private const DONE =
        '/\b(?!(?:un|re|non)?(?:need|seed|feed|speed|weed|breed|indeed|shed|adjusted|weighted|combined|related|' .
        'united|limited|licensed|registered|insured|protected|retired|married|occupied|owned|connected|' .
        'metered|staffed|inhabited|cultivated|vaccinated|employed|installed|used|estimated|expected|planned|' .
        'required|allowed|mixed|fixed|paved|covered|served)\b)\p{L}{3,}ed\b/u';

    /** What there is at a moment, and does not add up over time. */
    private const LEVELS =
        '/\b(people|population|inhabitants|persons?|residents|connections|customers|households|members|staff|' .
        'employees|employed|employment|unemployed|unemployment|workforce|labour force|headcount|fte|length|stocks?|' .
        'inventory|capacity|installed|area|land|assets|debt|balance|deposits|reserves|price|temperatures?|temp|' .
        'waiting|queue|backlog|outstanding|open|beds|vehicles|fleet|cars|buses|dwellings|houses|homes|flats|rooms|' .
        'units in use|students|pupils|teachers|nurses|doctors|physicians|subscribers|subscriptions|accounts|' .
        'enrolment|enrollment|livestock|cattle|cows|pigs|sheep|age|height|weight|depth|level|levels|wind|pressure|' .
        'humidity|speed|duration|mains|network|pipes?|meters|sites|schools|hospitals|prisoners|' .
        'einwohner|bevölkerung|beschäftigte|erwerbstätige|arbeitslose|bestand|fläche|länge|temperatur|preis|' .
        'haushalte|schüler|betten|kinder|personen|wohnungen|habitants|ménages|effectifs|población|hogares|' .
        'precio|popolazione)\b/u';

    /** Units of what flows at a moment: a sum over time is in another unit. */
    private const POWER =
        '/^([kmgt]?w|[kmg]?va|[kmgt]bit\/s|[kmgt]?hz|' .
        '([mgk]?l|m3|m³|hm3|hm³|[kmg]?t|kg|[kmgt]?wh|bbl|barrels?|litres?|tonnes?)' .
        '\/(s|sec|min|h|hr|d|day|wk|week|mo|month|a|yr|year))$/u';

    private const LEVEL_UNITS = '/^(km|km²|km2|ha|m|mm²|[kmgt]w|°[cf]|k|hpa|bar|fte|beds|people|persons|years?)$/u';

    private const FLOW_UNITS =
        '/^(thousand |million |billion |1000 |mio\.? |k|m|bn)?(ml|m3|m³|mm|l|litres?|liters?|hm3|hm³|t|kt|mt|tonnes?|' .
        'tons?|kg|[kmgtp]?wh|[kmgtp]j|ktoe|toe|bbl|barrels|€|\$|£|¥|eur|usd|gbp|chf|sek|nok|dkk|kr|crowns|euros?|' .
        'dollars|pounds)( (thousand|million|billion|m|bn|k))?$/u';

    /**
     * A first guess from what a measure is called and counted in; the user sees it and can change it. Of what is not
     * known it says that it does not add up over time, since a sum that means nothing is worse than none.
     */
    /** Why a measure is taken for a level where neither its name nor its unit says so. */
    public const NO_SIGN = 'no sign that it can be summed over time';

    public static function guess(string $name, string $unit): self
    {
        return self::guessed($name, $unit)[0];
    }

    /** @return array{self, string} with what it goes by, in words */
    public static function guessed(string $name, string $unit): array
    {
        [$name, $unit] = [mb_strtolower(str_replace('_', ' ', $name)), mb_strtolower(trim($unit))];
        foreach (
            [
                [self::POWER, $unit, self::Stock],
                [self::QUOTIENTS, $unit, self::Rate],
                [self::QUOTIENTS, $name, self::Rate],
                // What is waiting, installed or employed is there, whatever it does.
                [self::THERE, $name, self::Stock],
                [self::FLOWS, $name, self::Flow],
                [self::LEVELS, $name, self::Stock],
                [self::LEVEL_UNITS, $unit, self::Stock],
                [self::FLOW_UNITS, $unit, self::Flow],
                [self::FLOWS, $unit, self::Flow],
                [self::LEVELS, $unit, self::Stock],
                [self::DONE, $name, self::Flow],
            ] as [$words, $text, $kind]
        ) {
            if ($text !== '' && preg_match($words, $text, $m) === 1) {
                return [$kind, "by “{$m[0]}”"];
            }
        }

        return [self::Stock, self::NO_SIGN];
    }
}
