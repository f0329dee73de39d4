<?php

declare(strict_types=1);

namespace Tests\Core;

use DuskRail\Data\MeasureKind;
use DuskRail\Data\Status;
use DuskRail\Reading\Detection;
use DuskRail\Reading\Dialect;
use DuskRail\Reading\Duplicates;
use DuskRail\Reading\FoundBreakdowns;
use DuskRail\Reading\MarkedPeriod;
use DuskRail\Reading\Observations;
use DuskRail\Reading\Plan;
use DuskRail\Reading\Preamble;
use DuskRail\Reading\Problem;
use DuskRail\Reading\Reader;
use DuskRail\Reading\ReadMeasure;
use DuskRail\Reading\Role;
use DuskRail\Reading\Sample;
use DuskRail\Time\Frequency;
use DuskRail\Time\Period;
use DuskRail\Time\PeriodNotation;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** Tables as offices publish them, each with what should come of it at first guess, without a correction. */
final class UnderstandingTest extends TestCase
{
    /**
     * @return iterable<string, array{string, string}> text, and what comes of it: shape; entities; measures with unit
     *     and kind; breakdowns with their categories, the total with a star; the first series
     */
    public static function tables(): iterable
    {
        yield 'split by sex and age, with a total' => [
            self::rows(
                'area,sex,age,year,cases',
                ['Arden', 'Bowmore'],
                ['women', 'men', 'all'],
                ['0-14', '15+'],
                [2020, 2021],
            ),
            'long; Arden, Bowmore; cases [] flow; sex: women, men, all*; age: 0-14, 15+; 2020: 1, 2021: 2',
        ];
        yield 'the total is the category that the others add up to' => [
            "Site,Cause,Year,Bursts\nA,frost,2020,1\nA,age,2020,2\nA,whole,2020,3\nA,frost,2021,4\nA,age,2021,5\n" .
            "A,whole,2021,9\nB,frost,2020,3\nB,age,2020,2\nB,whole,2020,5\n",
            'long; A, B; Bursts [] flow; Cause: frost, age, whole*; 2020: 1, 2021: 4',
        ];
        yield 'a category that is larger than all others together is no total' => [
            "Site,Cause,Year,Bursts\nA,frost,2020,1\nA,age,2020,2\nA,ground,2020,30\nA,frost,2021,4\nA,age,2021,5\n" .
            "A,ground,2021,90\nB,frost,2020,3\nB,age,2020,2\nB,ground,2020,50\nB,frost,2021,1\nB,age,2021,1\n" .
            "B,ground,2021,20\n",
            'long; A, B; Bursts [] flow; Cause: frost, age, ground; 2020: 1, 2021: 4',
        ];
        yield 'SDMX-CSV with its standard columns' => [
            "DATAFLOW,FREQ,SEX,REF_AREA,TIME_PERIOD,OBS_VALUE,OBS_STATUS,UNIT_MEASURE,UNIT_MULT\n" .
            "X:F(1.0),A,F,AR,2020,1.5,A,PC,0\nX:F(1.0),A,M,AR,2020,2.5,P,PC,0\nX:F(1.0),A,_T,AR,2020,2,A,PC,0\n" .
            "X:F(1.0),A,F,BO,2020,3.5,A,PC,0\nX:F(1.0),A,M,BO,2020,4.5,A,PC,0\nX:F(1.0),A,_T,BO,2020,4,A,PC,0\n",
            'long; AR, BO; Table [%] rate; SEX: Female, Male, Total*; 2020: 1.5',
        ];
        yield 'figures in powers of ten' => [
            "REF_AREA,TIME_PERIOD,OBS_VALUE,UNIT_MULT\nAR,2020,1.5,3\nAR,2021,2,3\nBO,2020,7,0\nBO,2021,8,0\n",
            'long; AR, BO; Table [] stock; 2020: 1500, 2021: 2000',
        ];
        yield 'several keys in one cell, and flags after figures' => [
            "freq,unit,sex,geo\\TIME_PERIOD\t2019 \t2020 \t2021 \n" .
            "A,PC,F,AR\t7.8 \t8.8 b\t: \nA,PC,T,AR\t7 \t8 \t9 p\n" .
            "A,PC,F,BO\t1.5 \t: c\t2 \nA,PC,T,BO\t1 \t2 \t3 ep\n",
            'periods-across; AR, BO; Table [%] rate; sex: Female, Total*; 2019: 7.8, 2020: 8.8 b, 2021: -',
        ];
        yield 'several keys in one cell, under a title' => [
            "Unemployed by sex,,\n\n\"unit,sex,geo\\TIME\",2019,2020\n\"PC,F,AR\",7.8,8.8\n\"PC,M,AR\",7,8\n" .
            "\"PC,F,BO\",1.5,2\n\"PC,M,BO\",1,3\n",
            'periods-across; AR, BO; Unemployed [%] rate; sex: Female, Male; 2019: 7.8, 2020: 8.8',
        ];
        yield 'titles, a unit and a source above; a total and a note below' => [
            "Leakage by utility 2023,,\n\"(Ml, unless said otherwise)\",,\n,,\n" .
            ",Q1 2023,Q2 2023\nAlder,\"1,853\",\"2,095\"\n" .
            "Birch,\"2,664\",\"1,479\"\nCedar,17,20\nTotal,\"4,534\",\"3,594\"\n,,\nNote: Q2 is provisional.,,\n",
            'periods-across; Alder, Birch, Cedar, Total (total); Leakage [Ml] flow; 2023-Q1: 1853, 2023-Q2: 2095',
        ];
        yield 'a row that the others add up to, whatever it is called' => [
            "Utility,2021,2022,2023\nAlder,1,2,3\nBirch,4,5,6\nCedar,7,8,10\nDray,1,1,2\nForum,13,16,21\n",
            'periods-across; Alder, Birch, Cedar, Dray, Forum (total); Table [] stock; 2021: 1, 2022: 2, 2023: 3',
        ];
        yield 'one that is larger than all others together is no total' => [
            "Utility,2021,2022,2023\nAlder,1,2,3\nBirch,4,5,6\nCedar,7,8,10\nForum,130,160,210\n",
            'periods-across; Alder, Birch, Cedar, Forum; Table [] stock; 2021: 1, 2022: 2, 2023: 3',
        ];
        yield 'names that only begin as a total does' => [
            "Hospital,2021,2022\nAll Saints,1,2\nTotal Care,3,4\nMean Street,5,6\nNorth,8,9\nSouth,7,3\n",
            'periods-across; All Saints, Total Care, Mean Street, North, South; Table [] stock; 2021: 1, 2022: 2',
        ];
        yield 'blocks one under the other, each under its title' => [
            "Leakage (Ml),,\nUtility,2021,2022\nVeldmere,1,2\nTarrow,4,5\n,,\nBursts,,\nUtility,2021,2022\n" .
            "Veldmere,11,12\nTarrow,14,15\n,,\nMains (km),,\n,,\nUtility,2021,2022\nVeldmere,3,4\nTarrow,7,8\n",
            'periods-across; Veldmere, Tarrow; Leakage [Ml] flow, Bursts [] flow, Mains [km] stock; 2021: 1, 2022: 2',
        ];
        yield 'weeks by the day that they end' => [
            "Works,Week ending,Bursts\nA,05/01/2024,1\nA,12/01/2024,2\n" .
            "A,19/01/2024,3\nA,26/01/2024,4\nB,05/01/2024,5\n",
            'long; A, B; Bursts [] flow; 2024-W01: 1, 2024-W02: 2, 2024-W03: 3, 2024-W04: 4',
        ];
        yield 'a handful of rows, split by the codes of ages' => [
            "Utility,age,Year,Staff\nVeldmere,Y_LT30,2023,1\nVeldmere,Y30T64,2023,2\nVeldmere,Y_GE65,2023,3\n",
            'long; Veldmere; Staff [] stock; age: under 30, 30 to 64, 65 and over; 2023: 1',
        ];
        yield 'a figure that is the sum of the others by chance' => [
            "Utility,2023\nAlder,1\nBirch,2\nCedar,3\nDray,6\n",
            'periods-across; Alder, Birch, Cedar, Dray; Table [] stock; 2023: 1',
        ];
        yield 'a text that tells no figures apart' => [
            "Utility,Month,Remark,Bursts\nA,2024-01,counted,1\nA,2024-02,asked,2\nB,2024-01,counted,3\n" .
            "B,2024-02,counted,4\n",
            'long; A, B; Bursts [] flow; 2024-01: 1, 2024-02: 2',
        ];
        yield 'codes beside names, and years as R writes them' => [
            "Country Name,Country Code,X1951,X1956,X1961\nNorland,NOR,1,2,3\nSouthey,SOU,4,5,6\n",
            'periods-across; Norland {Country Code: NOR}, Southey {Country Code: SOU}; Table [] stock; ' .
            '1951: 1, 1956: 2, 1961: 3',
        ];
        yield 'the code of a measure beside its name, lines above' => [
            "\"Data Source\",\"Open indicators\",\n\n\"Last Updated\",\"2025-07-01\",\n\n" .
            'Area,Indicator Name,Indicator Code,' .
            "2020,2021,\nA,\"Population, total\",SP.POP,100,101,\nA,Use (kWh per person),EG.USE,5,6,\n" .
            "B,\"Population, total\",SP.POP,200,201,\nB,Use (kWh per person),EG.USE,7,,\n",
            'periods-across; A, B; Population, total [] stock, Use [kWh per person] rate; 2020: 100, 2021: 101',
        ];
        yield 'a column that is empty, and one that appears twice' => [
            "Year,Alpha,Beta,Alpha,\n2018,10,20,10,\n2019,11,21,11,\n2020,12,22,12,\n",
            'entities-across; Alpha, Beta; Table [] stock; 2018: 10, 2019: 11, 2020: 12',
        ];
        yield 'thousands by points, as in German' => [
            "Jahr;Werk A;Werk B\n2015;51.299;16.270\n2016;52.000;987\n",
            'entities-across; Werk A, Werk B; Table [] stock; 2015: 51299, 2016: 52000',
        ];
        yield 'figures with a point that are no thousands, beside some that could be' => [
            "Jahr;Werk A;Werk B\n2015;51.299;16.27\n2016;52.000;9.8\n",
            'entities-across; Werk A, Werk B; Table [] stock; 2015: 51.299, 2016: 52',
        ];
        yield 'years that say so by themselves alone, in any order, and one is missing' => [
            "When,Alder,Birch\n2015,1,2\n2013,3,4\n2014,5,6\n2018,7,8\n2017,9,1\n",
            'entities-across; Alder, Birch; Table [] stock; 2013: 3, 2014: 5, 2015: 1, 2017: 9, 2018: 7',
        ];
        yield 'figures that look like years are none' => [
            "Place,Before,After\nA,1612,1801\nB,2107,1998\nC,1523,2240\nD,2016,1790\n",
            'moment; A, B, C, D; Before [] stock, After [] stock; #1: 1612',
        ];
        yield 'two months down, years across' => [
            "Month,2023,2024\nJanuary,1,2\nFebruary,3,4\n",
            'years-across; Table; Table [] stock; 2023-01: 1, 2023-02: 3, 2023-03: -, 2023-04: -, 2023-05: -, ' .
            '2023-06: -, 2023-07: -, 2023-08: -, 2023-09: -, 2023-10: -, 2023-11: -, 2023-12: -, 2024-01: 2, ' .
            '2024-02: 4',
        ];
        yield 'quarters as parts of a year' => [
            "Year,Bursts\n2019,5\n2019.25,6\n2019.5,7\n2019.75,8\n2020,9\n",
            'long; Table; Bursts [] flow; 2019-Q1: 5, 2019-Q2: 6, 2019-Q3: 7, 2019-Q4: 8, 2020-Q1: 9',
        ];
        yield 'the middles of months as parts of a year' => [
            "decimal date,CO2\n1958.2027,315.7\n1958.2877,317.4\n1958.3699,317.5\n1958.4548,317.2\n",
            'long; Table; CO2 [] stock; 1958-03: 315.7, 1958-04: 317.4, 1958-05: 317.5, 1958-06: 317.2',
        ];
        yield 'days as parts of a year' => [
            "time,DAX,SMI\n1991.49615384615,1628.75,1678.1\n1991.5,1613.63,1688.5\n1991.50384615385,1606.51,1678.6\n",
            'entities-across; DAX, SMI; Table [] stock; 1991-06-29: 1628.75, 1991-06-30: -, 1991-07-01: 1613.63, ' .
            '1991-07-02: 1606.51',
        ];
        yield 'every fifth year' => [
            "Region;Jahr;Einwohner;Abfall (t)\n" .
            "A;1980;478;1,5\nA;1985;492;2,5\nA;1990;507;3,5\nB;1980;1;1\nB;1985;2;2\nB;1990;3;3\n",
            'long; A, B; Einwohner [] stock, Abfall [t] flow; 1980: 478, 1985: 492, 1990: 507',
        ];
        yield 'readings by the clock: a flow is summed over the day, a power averaged' => [
            "Works,Read at,Water (Ml),Draw (MW)\nA,01/04/2024 06:00,1,10\nA,01/04/2024 18:00,3,30\n" .
            "A,02/04/2024 06:00,5,40\nA,02/04/2024 18:00,6,60\nB,01/04/2024 06:00,7,70\nB,01/04/2024 18:00,8,80\n",
            'long; A, B; Water [Ml] flow, Draw [MW] stock; 2024-04-01: 4, 2024-04-02: 11',
        ];
        yield 'the hour in a column of its own, beside one column for each entity' => [
            "Date,Hour,Alder,Birch\n2024-04-01,0,10,1\n2024-04-01,12,20,2\n2024-04-02,0,30,3\n2024-04-02,12,50,4\n",
            'entities-across; Alder, Birch; Table [] stock; 2024-04-01: 15, 2024-04-02: 40',
        ];
        yield 'hours in a column of their own, split by zone' => [
            self::rows('Date,Hour,Zone,Load', ['2024-04-01', '2024-04-02'], ['1', '2', '3'], ['North', 'South']),
            'long; North, South; Load [] stock; 2024-04-01: 3, 2024-04-02: 9',
        ];
        yield 'the hour where there is no day' => [
            "Hour,Site,Visits\n0,A,1\n1,A,2\n2,A,3\n3,A,5\n0,B,4\n1,B,6\n2,B,8\n3,B,1\n",
            'long; A, B; Visits [] flow; #0: 1, #1: 2, #2: 3, #3: 5',
        ];
        yield 'the entity by its heading, though what is split has more names' => [
            self::rows('Company,Stage,Year,Output', ['A', 'B'], ['raw', 'cut', 'sawn'], [2020, 2021]),
            'long; A, B; Output [] flow; Stage: raw, cut, sawn; 2020: 1, 2021: 2',
        ];
        yield 'a title, and columns that a spreadsheet has left behind' => [
            "Bursts by works,,,,,,,,,\nYear,Alder,Birch,,,,,,,\n2020,1,2,,,,,,,\n2021,3,4,,,,,,,\n",
            'entities-across; Alder, Birch; Bursts [] flow; 2020: 1, 2021: 3',
        ];
        yield 'where each figure is from is said of no entity' => [
            "Site,Year,Source,Bursts\nA,2020,meter,1\nA,2021,meter,2\nB,2020,estimate,3\nB,2021,estimate,4\n",
            'long; A, B; Bursts [] flow; 2020: 1, 2021: 2',
        ];
        yield 'columns of quite another size are measures' => [
            "Year,Turn,Grist\n2020,0.5,700000\n2021,0.6,710000\n2022,0.7,720000\n",
            'long; Table; Turn [] stock, Grist [] stock; 2020: 0.5, 2021: 0.6, 2022: 0.7',
        ];
        yield 'hours that were worked, and times that were run, are figures' => [
            "Date,Runner,Time,Hours\n2024-04-01,A,23,7\n2024-04-01,B,25,8\n2024-04-02,A,22,6\n2024-04-02,B,24,9\n",
            'long; A, B; Time [] stock, Hours [] stock; 2024-04-01: 23, 2024-04-02: 22',
        ];
        yield 'things that happened at any time, with nothing counted beside them' => [
            "When,Site,Cause\n2024-04-01 03:12,A,frost\n2024-04-01 09:40,A,age\n2024-04-02 22:05,B,age\n" .
            "2024-05-02 01:30,A,frost\n",
            'events; A, B; Table [] flow; 2024-04: 2, 2024-05: 1',
        ];
        yield 'a text beside each day of one place' => [
            "Date,Rain,Temp,Sky\n2020-01-01,5,3,rain\n2020-01-02,0,4,sun\n2020-01-03,1,5,rain\n2020-01-04,2,6,sun\n",
            'long; Table; Rain [] flow, Temp [] stock; 2020-01-01: 5, 2020-01-02: 0, 2020-01-03: 1, 2020-01-04: 2',
        ];
        yield 'a number that is the same for each entity is no measure' => [
            "country,year,cluster,births\nA,2020,0,5\nA,2021,0,6\nB,2020,3,7\nB,2021,3,8\nC,2020,0,1\nC,2021,0,2\n",
            'long; A {cluster: 0, group: 0}, B {cluster: 3, group: 3}, C {cluster: 0, group: 0}; births [] flow; ' .
            '2020: 5, 2021: 6',
        ];
        yield 'an index column of a program, and numbered subjects' => [
            "\"\",Age,Seed,height\n1,3,301,4.5\n2,5,301,10.9\n3,6,301,12\n4,3,303,4.6\n5,5,303,11\n6,6,303,13\n",
            'long; 301, 303; height [] stock; #3: 4.5, #4: -, #5: 10.9, #6: 12',
        ];
        yield 'measures of one thing across' => [
            "Year,GNP,Unemployed,Population\n1947,234.2,235.6,107.6\n1948,259.4,232.5,108.6\n1949,258,368.2,109.7\n",
            'long; Table; GNP [] stock, Unemployed [] stock, Population [] stock; 1947: 234.2, 1948: 259.4, 1949: 258',
        ];
        yield 'one measure in two units' => [
            "geo,unit,year,value\nA,PC,2020,5\nA,THS,2020,12\nB,PC,2020,6\nB,THS,2020,15\n",
            'long; A, B; Table [%] rate, Table, THS [THS] stock; 2020: 5',
        ];
        yield 'dates of the first of months, month before day' => [
            "Month,Shop,Sales\n" .
            "01/01/2020,A,5\n02/01/2020,A,6\n03/01/2020,A,7\n01/01/2020,B,1\n02/01/2020,B,2\n03/01/2020,B,3\n",
            'long; A, B; Sales [] flow; 2020-01: 5, 2020-02: 6, 2020-03: 7',
        ];
        yield 'a date beside the year and the month that says the same' => [
            "series,year,month,count,date\nA,2000,1,5,2000-01-01T08:00:00Z\nA,2000,2,6,2000-02-01T08:00:00Z\n" .
            "B,2000,1,7,2000-01-01T08:00:00Z\nB,2000,2,8,2000-02-01T08:00:00Z\n",
            'long; A, B; count [] stock; 2000-01: 5, 2000-02: 6',
        ];
        yield 'a breakdown by numbers' => [
            "year,age,sex,people\n" .
            "2020,0,1,5\n2020,0,2,6\n2020,5,1,7\n2020,5,2,8\n2021,0,1,1\n2021,0,2,2\n2021,5,1,3\n2021,5,2,4\n",
            'long; Table; people [] stock; age: 0, 5; sex: 1, 2; 2020: 5, 2021: 1',
        ];
        yield 'broken down at the side of periods' => [
            "District,Cause,2020,2021\n" .
            "East,All causes,9,8\nEast,Frost,5,4\nEast,Age,4,4\nWest,All causes,3,4\nWest,Frost,1,1\nWest,Age,2,3\n",
            'periods-across; East, West; Table [] stock; Cause: All causes*, Frost, Age; 2020: 9, 2021: 8',
        ];
        yield 'the headings again within the table' => [
            "Utility,Month,Bursts\nA,2020-01,1\nA,2020-02,2\nUtility,Month,Bursts\nB,2020-01,3\nB,2020-02,4\n",
            'long; A, B; Bursts [] flow; 2020-01: 1, 2020-02: 2',
        ];
        yield 'units in a row of their own, in Windows-1252 German' => [
            "Betrieb;Monat;Umsatz;Ausfall\n;;CHF;h\nNord;Jänner 2023;1'234,5;2,5\nNord;Februar 2023;1'300,0;3\n" .
            "Süd;Jänner 2023;2'000,0;4,5\nSüd;Februar 2023;2'100,0;1\n",
            'long; Nord, Süd; Umsatz [CHF] flow, Ausfall [h] stock; 2023-01: 1234.5, 2023-02: 1300',
        ];
        yield 'what is split has more categories than there are wards' => [
            "Ward;Year;Gender;Admissions\nA;2020;Male;5\nA;2020;Female;6\nA;2020;All;11\nB;2020;Male;1\n" .
            "B;2020;Female;2\nB;2020;All;3\n",
            'long; A, B; Admissions [] flow; Gender: Male, Female, All*; 2020: 5',
        ];
        yield 'figures whose heading begins as an entity does' => [
            "Quarter,Company A revenue,Company B revenue\nQ1/2022,100,200\nQ2/2022,110,190\nQ3/2022,120,180\n",
            'entities-across; Company A revenue, Company B revenue; Table [] stock; ' .
            '2022-Q1: 100, 2022-Q2: 110, 2022-Q3: 120',
        ];
        yield 'years without a heading that have no step, the latest first' => [
            ",North,South\n2019,4,5\n2017,2,3\n2015,9,1\n2010,7,8\n2005,5,6\n2001,3,4\n1997,1,2\n",
            'entities-across; North, South; Table [] stock; ' .
            '1997: 1, 2001: 3, 2005: 5, 2010: 7, 2015: 9, 2017: 2, 2019: 4',
        ];
        yield 'years without a heading that have no step' => [
            ",North,South\n1997,1,2\n2001,3,4\n2005,5,6\n2010,7,8\n2015,9,1\n2017,2,3\n2019,4,5\n",
            'entities-across; North, South; Table [] stock; ' .
            '1997: 1, 2001: 3, 2005: 5, 2010: 7, 2015: 9, 2017: 2, 2019: 4',
        ];
        yield 'seconds in every cell are a unit, and no flags' => [
            "Lap,Runner,Time\n1,A,8.25 s\n2,A,8.31 s\n3,A,8 s\n1,B,9 s\n2,B,9.5 s\n",
            'long; A, B; Time [s] stock; #1: 8.25, #2: 8.31, #3: 8',
        ];
        yield 'letters for why there is no figure' => [
            "Utility,Year,Sales\nA,2019,[z]\nA,2020,*\nA,2021,4 (p)\nB,2019,1\nB,2020,c\nB,2021,2\n",
            'long; A, B; Sales [] flow; 2019: - z, 2020: - c, 2021: 4 p',
        ];
    }

    /** @return iterable<string, array{string, string}> numbers that a heading makes dates of */
    public static function numbers(): iterable
    {
        yield 'years of two digits' => [
            "State,year,price\nA,98,28.6\nA,99,29.8\nB,98,31\nB,99,32\n",
            'long; A, B; price [] stock; 1998: 28.6, 1999: 29.8',
        ];
        yield 'seconds since 1970' => [
            "Site,time,load\nA,1672531200,5\nA,1672617600,6\nB,1672531200,7\nB,1672617600,8\n",
            'long; A, B; load [] stock; 2023-01-01: 5, 2023-01-02: 6',
        ];
        yield 'days of a spreadsheet that are the first of months' => [
            "Site,Date,load\nA,44927,5\nA,44958,6\nB,44927,7\nB,44958,8\n",
            'long; A, B; load [] stock; 2023-01: 5, 2023-02: 6',
        ];
        yield 'a number for no value' => [
            "Town,2019,2020,2021\nA,12,-999,14\nB,8,11,-999\nC,9,12,13\n",
            'periods-across; A, B, C; Table [] stock; 2019: 12, 2020: -, 2021: 14',
        ];
        yield 'a value below zero beside others is one' => [
            "Town,2019,2020,2021\nA,12,-999,14\nB,8,11,-3\nC,9,12,13\n",
            'periods-across; A, B, C; Table [] stock; 2019: 12, 2020: -999, 2021: 14',
        ];
        yield 'a large number that comes again and is far from all others' => [
            "Town,2019,2020,2021\nA,12,9999,14\nB,8,11,9999\nC,9,12,13\n",
            'periods-across; A, B, C; Table [] stock; 2019: 12, 2020: -, 2021: 14',
        ];
        yield 'a large one that comes once is a value' => [
            "Town,2019,2020,2021\nA,12,9999,14\nB,8,11,15\nC,9,12,13\n",
            'periods-across; A, B, C; Table [] stock; 2019: 12, 2020: 9999, 2021: 14',
        ];
    }

    /** @return iterable<string, array{string, string}> rows that say something of those below them */
    public static function arrangements(): iterable
    {
        yield 'quarters down with their sum, years across' => [
            "Quarter,2022,2023\nQ1,1,5\nQ2,2,6\nQ3,3,7\nQ4,4,8\nYear,10,26\n",
            'years-across-quarters; Table; Table [] stock; 2022-Q1: 1, 2022-Q2: 2, 2022-Q3: 3, 2022-Q4: 4, ' .
            '2023-Q1: 5, 2023-Q2: 6, 2023-Q3: 7, 2023-Q4: 8',
        ];
        yield 'regions and months as numbers down, years across' => [
            "Region,Month,2022,2023\nNorth,1,1,5\nNorth,2,2,6\nSouth,1,3,7\nSouth,2,4,8\n",
            'years-across; North, South; Table [] stock; 2022-01: 1, 2022-02: 2, 2022-03: -, 2022-04: -, ' .
            '2022-05: -, 2022-06: -, 2022-07: -, 2022-08: -, 2022-09: -, 2022-10: -, 2022-11: -, 2022-12: -, ' .
            '2023-01: 5, 2023-02: 6',
        ];
        yield 'weeks down, a year of 53 and one of 52 across' => [
            "Week,2020,2021\n52,5,7\n53,6,\n",
            'years-across-weeks; Table; Table [] stock; 2020-W52: 5, 2020-W53: 6' .
            implode('', array_map(static fn(int $w): string => sprintf(', 2021-W%02d: -', $w), range(1, 51))) .
            ', 2021-W52: 7',
        ];
        yield 'sites that are called as half-years are' => [
            "Site,2022,2023\nS1,1,5\nS2,2,6\n",
            'periods-across; S1, S2; Table [] stock; 2022: 1, 2023: 5',
        ];
        yield 'years with their code in brackets' => [
            "Country Name,Series Name,2018 [YR2018],2019 [YR2019]\nAlderland,Use,1,2\nBrookland,Use,3,4\n",
            'periods-across; Alderland, Brookland; Use [] flow; 2018: 1, 2019: 2',
        ];
        yield 'times with hours before minutes once there are any' => [
            "Runner,2022,2023\nAda,44:30,1:07:30\nBen,45:00,59:15\n",
            'periods-across; Ada, Ben; Table [min] stock; 2022: 44.5, 2023: 67.5',
        ];
        yield 'entities over their measures' => [
            ",Alder,,Birch,\nYear,Revenue (EUR m),Staff,Revenue (EUR m),Staff\n2021,1,2,3,4\n2022,5,6,7,8\n",
            'measures-of-entities; Alder, Birch; Revenue [EUR m] flow, Staff [] stock; 2021: 1, 2022: 5',
        ];
        yield 'measures over their entities, each named' => [
            ",Revenue,Revenue,Staff,Staff\nYear,Alder,Birch,Alder,Birch\n2021,1,2,3,4\n2022,5,6,7,8\n",
            'entities-of-measures; Alder, Birch; Revenue [] flow, Staff [] stock; 2021: 1, 2022: 5',
        ];
        yield 'names over measures of which one says so itself' => [
            ",Water,,Waste,\nYear,Cost,Volume,Cost,Volume\n2012,5,6,7,8\n2013,9,10,11,12\n",
            'measures-of-entities; Water, Waste; Cost [] flow, Volume [] stock; 2012: 5, 2013: 9',
        ];
        yield 'two rows of names that are no measures' => [
            ",Alder,,Birch,\nYear,Upper,Lower,Upper,Lower\n2021,1,2,3,4\n2022,5,6,7,8\n",
            'entities-across; Alder, Upper, Alder, Lower, Birch, Upper, Birch, Lower; Alder Birch [] stock; ' .
            '2021: 1, 2022: 5',
        ];
        yield 'the same, each named' => [
            ",Alder,Alder,Birch,Birch\nYear,Upper,Lower,Upper,Lower\n2021,1,2,3,4\n2022,5,6,7,8\n",
            'measures-of-entities; Alder, Birch; Upper [] stock, Lower [] stock; 2021: 1, 2022: 5',
        ];
        yield 'months of years that begin in April' => [
            'Year,Apr,May,Jun,Jul,Aug,Sep,Oct,Nov,Dec,Jan,Feb,Mar,Total' .
            "\n2021-22,1,2,3,4,5,6,7,8,9,10,11,12,78\n2022-23,2,3,4,5,6,7,8,9,10,11,12,14,91\n",
            'months-across; Table; Table [] stock; 2021-04: 1, 2021-05: 2, 2021-06: 3, 2021-07: 4, 2021-08: 5, ' .
            '2021-09: 6, 2021-10: 7, 2021-11: 8, 2021-12: 9, 2022-01: 10, 2022-02: 11, 2022-03: 12, 2022-04: 2, ' .
            '2022-05: 3, 2022-06: 4, 2022-07: 5, 2022-08: 6, 2022-09: 7, 2022-10: 8, 2022-11: 9, 2022-12: 10, ' .
            '2023-01: 11, 2023-02: 12, 2023-03: 14',
        ];
        yield 'quarters of years that begin in October, by their months' => [
            "Year,Q1 (Oct-Dec),Q2 (Jan-Mar),Q3 (Apr-Jun),Q4 (Jul-Sep)\n2021/22,1,2,3,4\n2022/23,5,6,7,8\n",
            'quarters-across; Table; Table [] stock; 2021-Q4: 1, 2022-Q1: 2, 2022-Q2: 3, 2022-Q3: 4, 2022-Q4: 5, ' .
            '2023-Q1: 6, 2023-Q2: 7, 2023-Q3: 8',
        ];
        yield 'quarters of fiscal years' => [
            "Town,Quarter,Index\nA,Q3 2021/22,1\nA,Q4 2021/22,2\nB,Q3 2021/22,3\nB,Q4 2021/22,4\n",
            'long; A, B; Index [] rate; 2021-Q4: 1, 2022-Q1: 2',
        ];
        yield 'quarters by months with a year each' => [
            "Town,Period,Index\nA,Apr-23 to Jun-23,1\nA,Jul-23 to Sep-23,2\nB,Apr-23 to Jun-23,3\n",
            'long; A, B; Index [] rate; 2023-Q2: 1, 2023-Q3: 2',
        ];
        yield 'a year and the number of a week, under weeks' => [
            "Store,Week,Index\nA,2020-53,1\nA,2021-01,2\nB,2020-53,3\nB,2021-01,4\n",
            'long; A, B; Index [] rate; 2020-W53: 1, 2021-W01: 2',
        ];
        yield 'the same under months' => [
            "Store,Month,Index\nA,2020-12,1\nA,2021-01,2\nB,2020-12,3\nB,2021-01,4\n",
            'long; A, B; Index [] rate; 2020-12: 1, 2021-01: 2',
        ];
        yield 'times that all have hours' => [
            "Runner,2022,2023\nAda,1:30:00,1:15:00\nBen,1:45:00,2:00:00\n",
            'periods-across; Ada, Ben; Table [h] stock; 2022: 1.5, 2023: 1.25',
        ];
        yield 'a pivot table: regions with values of their own, members below them, and a grand total' => [
            "Region,Utility,2019,2020,2021\nNorth,,30,50,70\n,A,10,20,30\n,B,20,30,40\nSouth,,11,13,15\n,C,5,6,7\n" .
            ",D,6,7,8\nGrand Total,,41,63,85\n",
            'periods-across; North {Region: North, group: North} (total), A {Region: North, group: North}, ' .
            'B {Region: North, group: North}, South {Region: South, group: South} (total), ' .
            'C {Region: South, group: South}, D {Region: South, group: South}, ' .
            'Grand Total {Region: , group: } (total); Table [] stock; 2019: 30, 2020: 50, 2021: 70',
        ];
        yield 'years that are written once, over their months' => [
            "Year,Month,Complaints\n2021,Nov,5\n,Dec,6\n2022,Jan,7\n,Feb,8\n2023,Jan,9\n",
            'long; Table; Complaints [] flow; 2021-11: 5, 2021-12: 6, 2022-01: 7, 2022-02: 8, 2022-03: -, ' .
            '2022-04: -, 2022-05: -, 2022-06: -, 2022-07: -, 2022-08: -, 2022-09: -, 2022-10: -, 2022-11: -, ' .
            '2022-12: -, 2023-01: 9',
        ];
        yield 'one region that is missing is not the one above' => [
            "Region,Utility,2019,2020\nNorth,A,1,2\nNorth,B,2,3\n,C,3,4\nSouth,D,4,5\nSouth,E,5,6\n",
            'periods-across; A {Region: North, group: North}, B {Region: North, group: North}, ' .
            'C {Region: , group: }, D {Region: South, group: South}, E {Region: South, group: South}; ' .
            'Table [] stock; 2019: 1, 2020: 2',
        ];
        yield 'sexes over the same names' => [
            "Area,2019,2020\nMale,,\nA,1,2\nB,3,4\nFemale,,\nA,5,6\nB,7,8\nSource: the trade,,\n",
            'periods-across; A, B; Table [] stock; Section: Male, Female; 2019: 1, 2020: 2',
        ];
        yield 'marks for levels before names' => [
            "Area,2019,2020,2021\nCountry,15.1,15.2,15.3\n- North,14.1,14.2,14.3\n-- A,13,14,15\n- South,16,16,17\n" .
            "-- B,15,16,18\n-- C,16,17,16\n",
            'periods-across; Country (other), North (other), A {group: North}, South (other), B {group: South}, ' .
            'C {group: South}; ' .
            'Table [] stock; 2019: 15.1, 2020: 15.2, 2021: 15.3',
        ];
        yield 'levels by codes' => [
            "Code,Area,2019,2020\nX,Country,15,15\nX1,North,14,14\nX11,A,13,14\nX12,B,15,14\nX2,South,16,16\n" .
            "X21,C,15,17\nX22,D,17,15\n",
            'periods-across; Country {Code: X} (other), North {Code: X1} (other), A {Code: X11, group: North}, ' .
            'B {Code: X12, group: North}, South {Code: X2} (other), C {Code: X21, group: South}, ' .
            'D {Code: X22, group: South}; Table [] stock; 2019: 15, 2020: 15',
        ];
        yield 'codes of which one has no parent are no levels' => [
            "Code,Area,2019,2020\nX,Country,15,15\nX1,North,14,14\nX11,A,13,14\nX12,B,15,14\nX2,South,16,16\n" .
            "X21,C,15,17\nY22,D,17,15\n",
            'periods-across; Country {Code: X}, North {Code: X1}, A {Code: X11}, B {Code: X12}, South {Code: X2}, ' .
            'C {Code: X21}, D {Code: Y22}; Table [] stock; 2019: 15, 2020: 15',
        ];
        yield 'what is counted from January on becomes what each quarter has alone' => [
            "Company,Item,Q1 2022,H1 2022,9M 2022,FY 2022\nA,Revenue,10,22,35,50\nA,Net debt,7,8,9,6\n",
            'periods-across; A; Revenue [] flow, Net debt [] stock; 2022-Q1: 10, 2022-Q2: 12, 2022-Q3: 13, 2022-Q4: 15',
        ];
        yield 'quarters and a year beside them are not counted from January on' => [
            "Company,Q1 2022,Q2 2022,Q3 2022,Q4 2022,FY 2022\nA,10,22,35,50,117\nB,10,21,35,51,117\n",
            'periods-across; A, B; Table [] stock; 2022-Q1: 10, 2022-Q2: 22, 2022-Q3: 35, 2022-Q4: 50',
        ];
        yield 'three years together, which do not add up' => [
            "Area,2013-15,2014-16,2015-17\nA,10,11,12\nB,12,13,14\n",
            'periods-across; A, B; Table [] stock; 2015: 10, 2016: 11, 2017: 12',
        ];
    }

    /** @return iterable<string, array{string, string}> headings of more than one row */
    public static function headings(): iterable
    {
        yield 'two columns of one name are told apart by the units under them' => [
            "Year,Leakage,Leakage,Cost\n,Ml/d,% of input,£m\n2012,51,12,1\n2013,50,11,3\n2014,48,11,8\n",
            'long; Table; Leakage [Ml/d] stock, Leakage, % of input [% of input] rate, Cost [£m] flow; ' .
            '2012: 51, 2013: 50, 2014: 48',
        ];
        yield 'two columns of one name are told apart by what is over them' => [
            ",Water,,Waste,\nYear,Cost,Volume,Cost,Weight\n2012,5,6,7,8\n2013,9,10,11,12\n2014,1,2,3,4\n",
            'long; Table; Water, Cost [] flow, Volume [] stock, Waste, Cost [] flow, Weight [] stock; ' .
            '2012: 5, 2013: 9, 2014: 1',
        ];
        yield 'months under years' => [
            ",2022,,2023,\nPlant,Nov,Dec,Jan,Feb\nA,1,2,3,4\nB,2,3,4,5\n",
            'periods-across; A, B; Table [] stock; 2022-11: 1, 2022-12: 2, 2023-01: 3, 2023-02: 4',
        ];
        yield 'quarters under years that are written each time' => [
            "Plant,2022,2022,2023,2023\n,Q3,Q4,Q1,Q2\nA,1,2,3,4\nB,2,3,4,5\n",
            'periods-across; A, B; Table [] stock; 2022-Q3: 1, 2022-Q4: 2, 2023-Q1: 3, 2023-Q2: 4',
        ];
    }

    /** Rows of many combinations on few of the days are things that happen; the same on every day are values. */
    public function testRowsThatAreRareAmongTheirDaysAreEvents(): void
    {
        mt_srand(3);
        foreach (['events', 'long'] as $shape) {
            $text = "Date,Airport,Species,Cost\n";
            for ($row = 0; $row < 600; $row++) {
                $day = $shape === 'events' ? mt_rand(0, 300) * 10 : intdiv($row, 60);
                $date = gmdate('Y-m-d', 86_400 * (15_000 + $day));
                $keys = $shape === 'events' ? [mt_rand(0, 12), mt_rand(0, 20)] : [$row % 6, intdiv($row, 6) % 10];
                $text .= "{$date},A{$keys[0]},S{$keys[1]}," . (($row * 7) % 500) . ".5\n";
            }
            self::assertSame($shape, Detection::of(self::sample($text))->plan->shape);
        }
        $text = "Number,Date,Airport\n";
        for ($row = 0; $row < 30; $row++) {
            $text .= 4_000 + $row . ',' . gmdate('Y-m-d', 86_400 * (15_000 + $row * 9)) . ',A' . ($row % 3) . "\n";
        }
        // What numbers the rows is a case that is counted, and no value.
        $read = Reader::read(self::sample($text)->rows, $plan = Detection::of(self::sample($text))->plan);
        self::assertSame('events', $plan->shape);
        self::assertNotContains('Number', array_map(static fn(ReadMeasure $m): string => $m->name, $read->measures));
    }

    /** All values of each, as pandas 1.5.3 has them: tests/Reference/make/understood.py. */
    public function testTheValuesAreThosePandasHas(): void
    {
        $expected = json_decode(
            (string) file_get_contents(dirname(__DIR__) . '/Reference/data/understood.json'),
            true,
            flags: JSON_THROW_ON_ERROR,
        );
        $found = [];
        foreach (self::tables() as $name => [$text]) {
            $sample = self::sample($text);
            $read = Reader::read($sample->rows, Detection::of($sample)->plan);
            $values = array_merge(...array_column(iterator_to_array($read->series(), false), 'values'));
            $found[$name] = array_values(array_filter($values, static fn(float $v): bool => !is_nan($v)));
            sort($found[$name]);
        }
        self::assertEquals($expected, $found);
    }

    #[DataProvider('tables')]
    #[DataProvider('arrangements')]
    #[DataProvider('headings')]
    #[DataProvider('numbers')]
    public function testATableComesToWhatItsReaderMeant(string $text, string $expected): void
    {
        $sample = self::sample($text);
        $read = Reader::read($sample->rows, $plan = Detection::of($sample)->plan);
        self::assertSame($expected, "{$plan->shape}; " . self::said($read));
        $again = $plan->duplicates === Duplicates::ByKind ? 0 : $read->duplicateCount;
        self::assertSame([0, 0], [$read->problemCount, $again]);
        self::assertSame('', self::astray($sample, $plan, $read));
    }

    /** Values that are not in the cell that they are said to come from; a split cell or a power of ten is left out. */
    private static function astray(Sample $sample, Plan $plan, Observations $read): string
    {
        $astray = '';
        $asked = $plan->arrangement->split === null && $plan->columns->multiplier === null &&
            $plan->duplicates === Duplicates::Ask && $plan->periods->notation !== PeriodNotation::YearToDate;
        foreach ($asked && !in_array($plan->shape, ['events', 'attributes'], true) ? $read->series() : [] as $series) {
            foreach ($series->values as $i => $value) {
                $row = intdiv($series->places[$i], Observations::COLUMNS);
                $cell = is_nan($value) ? '' : $sample->cell($row, $series->places[$i] % Observations::COLUMNS);
                if (
                    $cell !== '' &&
                    !str_contains($cell, ':') &&
                    (float) $plan->numbers->read((string) preg_replace('/[^\d.,-]/', '', $cell)) !== $value
                ) {
                    $astray .= "{$value} is in row {$row} as “{$cell}”; ";
                }
            }
        }

        return $astray;
    }

    /** In a long table a row may be there twice by mistake: that changes nothing in how it is read. */
    #[TestWith(['Works,Cause,Year,Bursts', 2])]
    #[TestWith(['Subject,Cause,Year,Bursts', 2])]
    #[TestWith(['Works,Cause,Year,Bursts', 4])]
    public function testRowsThatAreThereTwiceByMistakeChangeNothing(string $heading, int $twice): void
    {
        $text = self::rows(
            $heading,
            str_starts_with($heading, 'S') ? ['31', '4', '17', '85', '2'] : ['A', 'B', 'C', 'D', 'E'],
            ['frost', 'age'],
            range(2000, 2019),
        );
        $plan = Detection::of(self::sample($text))->plan;
        $again = implode("\n", array_slice(explode("\n", $text), 1, $twice)) . "\n";
        self::assertEquals($plan, Detection::of(self::sample($text . $again))->plan);
        self::assertCount(1, $plan->columns->breakdowns);
    }

    private static function said(Observations $read): string
    {
        $entities = array_map(static function (string $name) use ($read): string {
            $about = [];
            foreach ($read->metadata->attributes[$name] ?? [] as $heading => $text) {
                $about[] = "{$heading}: {$text}";
            }
            $summary = $read->metadata->benchmarks[$name] ?? '';

            return $name .
                ($about === [] ? '' : ' {' . implode(', ', $about) . '}') .
                ($summary === '' ? '' : " ({$summary})");
        }, $read->entities);
        $measures = array_map(
            static fn(ReadMeasure $m): string => "{$m->name} [{$m->unit}] {$m->kind->value}",
            $read->measures,
        );
        $breakdowns = [];
        foreach (FoundBreakdowns::of($read)->all as $breakdown) {
            $categories = [];
            foreach ($breakdown->categories as $key => $name) {
                $categories[] = $name . ((string) $key === $breakdown->total ? '*' : '');
            }
            $breakdowns[] = "{$breakdown->name}: " . implode(', ', $categories);
        }
        $values = [];
        foreach ($read->series() as $series) {
            foreach ($series->values as $i => $value) {
                $period = Period::at($read->frequencyOf($series->measure), $series->first + $i);
                $mark = ['', 'p', 'e', 'b', 'f', 'u', 'd', 'r', 'c', 'z', 'm'][$series->statuses[$i]];
                if (!is_nan($value) || $mark !== '' || $period->frequency->inAYear() !== 1) {
                    $values[] = trim("{$period->code()}: " . (is_nan($value) ? '-' : $value) . " {$mark}");
                } elseif (($series->places[$i] ?? -1) >= 0) {
                    $values[] = "{$period->code()}: -";
                }
            }
            break;
        }

        return implode('; ', [
            implode(', ', $entities),
            implode(', ', $measures),
            ...$breakdowns,
            implode(', ', $values),
        ]);
    }

    public function testMoreCombinationsThanCanBeKeptAreRefusedInWords(): void
    {
        $rows = "Entity,Kind,Year,Value\n";
        for ($i = 0; $i <= 10_000; $i++) {
            $rows .= "A,kind {$i},2020,1\n";
        }
        $sample = self::sample($rows);
        $plan = Detection::of($sample)->plan->with(['roles' => ['entity', 'breakdown', 'period', 'figures']]);
        $this->expectExceptionMessage('have 10,001 combinations');
        Reader::read($sample->rows, $plan);
    }

    public function testMoreEntitiesThanCanBeComparedAreRefusedInWords(): void
    {
        $rows = [['Entity', 'Year', 'Value'], ['E1', '2020', '1'], ['E1', '2021', '1'], ['E2', '2020', '1']];
        $plan = Detection::of(new Sample($rows, 'many.csv', ','))->plan;
        for ($n = 3; $n <= 100_001; $n++) {
            $rows[] = ["E{$n}", '2020', '1'];
        }
        $this->expectExceptionMessage('names 100,001 entities');
        Reader::read($rows, $plan);
    }

    public function testARowThatIsTooLongAndANameThatIsAreSaidWithTheirPlace(): void
    {
        $sample = self::sample("Site,Year,Bursts\nA,2020,1\nA,2021,2,3,4\nB,2020,5\nB,2021,6\n");
        $read = Reader::read($sample->rows, Detection::of($sample)->plan);
        self::assertSame(
            [[3, 'column 4', '3 4']],
            array_map(static fn(Problem $p): array => [$p->row, $p->column, $p->found], $read->problems),
        );
        $name = str_repeat('n', 301);
        $long = self::sample("Site,Year,Bursts\nA,2020,1\nA,2021,2\n{$name},2020,5\n{$name},2021,6\n");
        $this->expectExceptionMessage('A name has 301 characters');
        Reader::read($long->rows, Detection::of($long)->plan);
    }

    /** A correction of one column leaves what was understood of the others. */
    public function testARoleThatIsChangedLeavesTheOthersAsTheyWere(): void
    {
        $sample = self::sample(
            "City,Date,Temp,Wind,Sky\n" .
                "X,2020-01-01,5,3,rain\nX,2020-01-02,6,4,sun\nY,2020-01-01,5,3,rain\nY,2020-01-02,6,4,sun\n",
        );
        $plan = Detection::of($sample)->plan;
        $other = $plan->with(['measures' => ['Temp' => ['kind' => 'rate']]])->with(['roles' => [0 => 'out']]);
        self::assertSame([2, 3], $other->columns->values);
        self::assertNull($other->columns->entity);
        // The role that only one can have goes to it from whichever had it.
        $moved = $plan->with(['roles' => [4 => 'entity']]);
        self::assertSame([Role::Out, Role::Entity], [$moved->columns->role(0), $moved->columns->role(4)]);
        self::assertSame(
            ['rain', 'sun'],
            Reader::read($sample->rows, $moved->with(['duplicates' => 'last']))->entities,
        );
        self::assertSame($other->toArray(), $other->with([])->toArray());
    }

    #[TestWith(['Repairs per 100 km of main, by cause, 2019 to 2024', 'Repairs per 100 km of main'])]
    #[TestWith(['Table 3.1: Leakage 2024', 'Leakage'])]
    #[TestWith(['Leakage in 2023', 'Leakage'])]
    #[TestWith(['Population, total', 'Population, total'])]
    public function testATitleNamesTheMeasureWithoutItsBreakdownAndYears(string $title, string $measure): void
    {
        self::assertSame($measure, Preamble::measure($title));
        $sample = self::sample("{$title}\t\t\nSource: Forum\t\t\nin Ml\t\t\n\t2020\t2021\nA\t1\t2\n");
        $preamble = Preamble::of($sample, 3);
        self::assertSame(['Forum', 'Ml'], [$preamble->source, $preamble->unit]);
    }

    /** The latest year with a mark is a year, and the mark is said of its values; marks from memory. */
    #[TestWith(['2023p', Status::Provisional])]
    #[TestWith(['2023*', Status::Measured])]
    #[TestWith(['2023 (p)', Status::Provisional])]
    #[TestWith(['2023 p', Status::Provisional])]
    #[TestWith(['2023r', Status::Revised])]
    #[TestWith(['2023E', Status::Estimated])]
    #[TestWith(['2023F', Status::Forecast])]
    #[TestWith(['2023¹', Status::Measured])]
    #[TestWith(['2023 [1]', Status::Measured])]
    #[TestWith(['2023(2)', Status::Measured])]
    #[TestWith(['2023 1)', Status::Measured])]
    #[TestWith(['2023 (provisional)', Status::Provisional])]
    #[TestWith(['2023 provisional', Status::Provisional])]
    #[TestWith(['2023, prov.', Status::Provisional])]
    #[TestWith(['Provisional 2023', Status::Provisional])]
    #[TestWith(['Forecast 2023', Status::Forecast])]
    #[TestWith(['2023p*', Status::Provisional])]
    #[TestWith(['2023* (p)', Status::Provisional])]
    #[TestWith(['2023 (geschätzt)', Status::Estimated])]
    #[TestWith(['2023 actual', Status::Measured])]
    public function testAPeriodWithAMarkIsOne(string $heading, Status $status): void
    {
        $rows = ['Alder' => [5, 6, 7, 8], 'Birch' => [1, 2, 3, 4], 'Cedar' => [9, 8, 7, 6]];
        $across = "Company;2020;2021;2022;{$heading}\n";
        $down = "Year;" . implode(';', array_keys($rows)) . "\n";
        $long = "Company;Year;Output\n";
        foreach (['2020', '2021', '2022', $heading] as $n => $year) {
            $down .= $year . ';' . implode(';', array_column($rows, $n)) . "\n";
        }
        foreach ($rows as $name => $values) {
            $across .= "{$name};" . implode(';', $values) . "\n";
            foreach (['2020', '2021', '2022', $heading] as $n => $year) {
                $long .= "{$name};{$year};{$values[$n]}\n";
            }
        }
        foreach ([$across, $down, $long] as $text) {
            $sample = self::sample($text);
            $read = Reader::read($sample->rows, Detection::of($sample)->plan);
            self::assertSame(0, $read->problemCount, $text);
            $found = $statuses = [];
            foreach ($read->series() as $series) {
                self::assertSame(2020, $series->first, $text);
                $found[$read->entities[$series->entity]] = array_map(intval(...), $series->values);
                $statuses[] = $series->statuses;
            }
            self::assertSame($rows, $found, $text);
            $marked = $status === Status::Measured ? [] : [3 => $status->value];
            self::assertSame(array_fill(0, 3, $marked), array_map(array_filter(...), $statuses), $text);
        }
    }

    /** A year in one column and its part in another are one period, however the part is written. */
    #[TestWith(['Quarter', '1|2|3|4', Frequency::Quarter])]
    #[TestWith(['quarter', 'Q1|Q2|Q3|Q4', Frequency::Quarter])]
    #[TestWith(['Qtr', 'I|II|III|IV', Frequency::Quarter])]
    #[TestWith(['Quarter', '1st quarter|2nd quarter|3rd quarter|4th quarter', Frequency::Quarter])]
    #[TestWith(['Trimestre', 'T1|T2|T3|T4', Frequency::Quarter])]
    #[TestWith(['Period', 'Q01|Q02|Q03|Q04', Frequency::Quarter])]
    #[TestWith(['Half', '1|2', Frequency::HalfYear])]
    #[TestWith(['Semester', 'S1|S2', Frequency::HalfYear])]
    #[TestWith(['Week', '1|2|3|4|5|6', Frequency::Week])]
    #[TestWith(['Woche', 'KW 1|KW 2|KW 3', Frequency::Week])]
    #[TestWith(['period', 'M01|M02|M03|M04', Frequency::Month])]
    #[TestWith(['Month', '1|2|3|4|5', Frequency::Month])]
    #[TestWith(['Monat', 'Januar|Februar|März', Frequency::Month])]
    public function testAYearAndItsPartInTwoColumnsAreOnePeriod(
        string $heading,
        string $written,
        Frequency $frequency,
    ): void {
        $parts = explode('|', $written);
        $long = "Year;{$heading};Plant;Output\n";
        $across = "Year;{$heading};Alder;Birch\n";
        $expected = [];
        foreach ([2022, 2023] as $year) {
            foreach ($parts as $n => $part) {
                foreach (['Alder' => 10 * $n + $year - 2000, 'Birch' => 5 * $n + 1] as $plant => $value) {
                    $long .= "{$year};{$part};{$plant};{$value}\n";
                    $expected[$plant][$year][] = $value;
                }
                $across .= "{$year};{$part};" . (10 * $n + $year - 2000) . ';' . (5 * $n + 1) . "\n";
            }
        }
        foreach ([$long, $across] as $text) {
            $sample = self::sample($text);
            $read = Reader::read($sample->rows, Detection::of($sample)->plan);
            self::assertSame([0, $frequency], [$read->problemCount, $read->frequency], $text);
            // Of two columns of values nothing tells whether they are entities or measures.
            $found = self::byYear($read, static fn(string $entity, string $measure): string => isset($expected[$entity])
                ? $entity
                : $measure);
            self::assertSame($expected, $found, $text);
        }
    }

    /** Months or quarters across and years down, of one or of several; a total beside them is none of them. */
    #[TestWith(['Jan|Feb|Mar|Apr|May|Jun|Jul|Aug|Sep|Oct|Nov|Dec', Frequency::Month])]
    #[TestWith(['Januar|Februar|März|April', Frequency::Month])]
    #[TestWith(['Q1|Q2|Q3|Q4', Frequency::Quarter])]
    #[TestWith(['1st quarter|2nd quarter|3rd quarter|4th quarter', Frequency::Quarter])]
    public function testPartsOfTheYearAcrossAndYearsDown(string $headings, Frequency $frequency): void
    {
        $parts = explode('|', $headings);
        foreach ([false, true] as $hasStations) {
            $text = ($hasStations ? 'Station;' : '') . 'Year;' . implode(';', $parts) . ";Total\n";
            $expected = [];
            foreach ($hasStations ? ['Alder', 'Birch', 'Cedar'] : [''] as $s => $station) {
                foreach ([2021, 2022, 2023] as $year) {
                    $values = array_map(static fn(int $n): int => 7 * $n + $s + $year % 10, array_keys($parts));
                    $expected[$station][$year] = $values;
                    $text .= ($hasStations ? "{$station};" : '') . "{$year};" . implode(';', $values);
                    $text .= ';' . array_sum($values) . "\n";
                }
            }
            $sample = self::sample($text);
            $read = Reader::read($sample->rows, Detection::of($sample)->plan);
            self::assertSame([0, $frequency], [$read->problemCount, $read->frequency], $text);
            $found = self::byYear($read, static fn(string $entity): string => $hasStations ? $entity : '');
            self::assertSame($expected, $found, $text);
        }
        // Two months among many measures are something else.
        $sample = self::sample("Year;Jan;Feb;Staff;Cost;Visits\n2021;1;2;3;4;5\n2022;1;2;3;4;5\n");
        self::assertNotSame('months-across', Detection::of($sample)->plan->shape);
    }

    /** One of three measures may be called value; a comma in a name cuts nothing in two beside decimal commas. */
    public function testAValueBesideOthersAndANameWithACommaStayWhatTheyAre(): void
    {
        $sample = self::sample(
            "firm;year;inv;value;capital\nAlder;1935;317.6;3078.5;2.8\nAlder;1936;391.8;4661.7;52.6\n" .
                "Birch;1935;209.9;1362.4;53.8\nBirch;1936;355.3;1807.1;50.5\n",
        );
        $read = Reader::read($sample->rows, Detection::of($sample)->plan);
        self::assertSame(['inv', 'value', 'capital'], array_column($read->measures, 'name'));
        self::assertSame([12, ['Alder', 'Birch']], [$read->valueCount(), $read->entities]);
        // Beside numbers that tell values apart, one column is what was observed.
        $sample = self::sample("site;year;class;value\nA;2020;1;5.5\nA;2020;2;6.5\nA;2021;1;7.5\nA;2021;2;8.5\n");
        $read = Reader::read($sample->rows, Detection::of($sample)->plan);
        self::assertSame([4, 1], [$read->valueCount(), count($read->measures)]);

        $sample = self::sample(
            "Week;\"Elbe, Hamburg\";\"Rhein, Köln\"\n2023-W01;701,5;501,3\n2023-W02;702,5;502,3\n" .
                "2023-W03;70,25;50,3\n",
        );
        $read = Reader::read($sample->rows, Detection::of($sample)->plan);
        self::assertSame(6, $read->valueCount());
        $names = count($read->entities) > 1 ? $read->entities : array_column($read->measures, 'name');
        self::assertSame(['Elbe, Hamburg', 'Rhein, Köln'], $names);
        self::assertSame([701.5, 702.5, 70.25], [...$read->series()][0]->values);
    }

    /** What is of another length of time, or no time, is no year with a mark. */
    #[TestWith(['H1 2023'])]
    #[TestWith(['1990s'])]
    #[TestWith(['Jan-Jun 2023'])]
    #[TestWith(['Change 2023'])]
    #[TestWith(['2023 budget'])]
    #[TestWith(['x2023'])]
    public function testWhatIsNoYearIsNotMadeOne(string $heading): void
    {
        self::assertNull(PeriodNotation::Year->read(MarkedPeriod::of($heading)->period ?? 'none'));
    }

    /** What adds up over time is said with care: a sum that means nothing is worse than none. */
    #[TestWith(['Waiting over 18 weeks', 'patients', MeasureKind::Stock])]
    #[TestWith(['Admissions', 'patients', MeasureKind::Flow])]
    #[TestWith(['Beds', 'beds', MeasureKind::Stock])]
    #[TestWith(['Kilometres', 'km', MeasureKind::Flow])]
    #[TestWith(['Mains', 'km', MeasureKind::Stock])]
    #[TestWith(['temp_max', '', MeasureKind::Stock])]
    #[TestWith(['Life expectancy', 'years', MeasureKind::Rate])]
    #[TestWith(['Einwohner', '', MeasureKind::Stock])]
    #[TestWith(['Arbeitslosenquote', '', MeasureKind::Rate])]
    #[TestWith(['Waste per head', 'kg', MeasureKind::Rate])]
    #[TestWith(['Anything', 'GWh', MeasureKind::Flow])]
    #[TestWith(['Anything', '', MeasureKind::Stock])]
    #[TestWith(['Pending cases', 'cases', MeasureKind::Stock])]
    #[TestWith(['Backlog at month end', '', MeasureKind::Stock])]
    #[TestWith(['Appeals decided', '', MeasureKind::Flow])]
    #[TestWith(['Judgments reversed', '', MeasureKind::Flow])]
    #[TestWith(['Pallets unloaded', '', MeasureKind::Flow])]
    #[TestWith(['Working days', 'days', MeasureKind::Flow])]
    #[TestWith(['Licensed premises', '', MeasureKind::Stock])]
    #[TestWith(['life_expect', '', MeasureKind::Rate])]
    #[TestWith(['Herd age', 'years', MeasureKind::Rate])]
    #[TestWith(['Old age pensioners', '', MeasureKind::Stock])]
    #[TestWith(['Duration', 'days', MeasureKind::Rate])]
    #[TestWith(['Avg. attendance', '', MeasureKind::Rate])]
    public function testTheKindOfAMeasureIsGuessedFromItsNameAndUnit(
        string $name,
        string $unit,
        MeasureKind $kind,
    ): void {
        self::assertSame($kind, MeasureKind::guess($name, $unit));
    }

    /**
     * A table of every combination, with values that count up.
     *
     * @param list<string|int> ...$keys of each column but the last
     */
    private static function rows(string $heading, array ...$keys): string
    {
        $rows = [[]];
        foreach ($keys as $column) {
            $next = [];
            foreach ($rows as $row) {
                foreach ($column as $key) {
                    $next[] = [...$row, $key];
                }
            }
            $rows = $next;
        }
        $lines = array_map(
            static fn(array $row, int $i): string => implode(',', [...$row, $i + 1]),
            $rows,
            array_keys($rows),
        );

        return "{$heading}\n" . implode("\n", $lines) . "\n";
    }

    /**
     * @param callable(string, string): string $named what an entity and a measure are called here
     * @return array<string, array<int, list<int>>> values by name and year
     */
    private static function byYear(Observations $read, callable $named): array
    {
        $found = [];
        foreach ($read->series() as $series) {
            $name = $named($read->entities[$series->entity], $read->measures[$series->measure]->name);
            foreach ($series->values as $i => $value) {
                if (!is_nan($value)) {
                    $year = Period::at($read->frequency, $series->first + $i)->yearNumber();
                    $found[$name][$year][] = (int) $value;
                }
            }
        }

        return $found;
    }

    private static function sample(string $text): Sample
    {
        $dialect = Dialect::detect($text);
        $rows = array_map(
            static fn(string $line): array => array_map(strval(...), str_getcsv($line, $dialect->delimiter, '"', '')),
            explode("\n", rtrim($text, "\n")),
        );

        return new Sample($rows, 'table.csv', $dialect->delimiter);
    }
}
