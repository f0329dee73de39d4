# The values of the tables in tests/Core/UnderstandingTest.php as pandas has them, each by what pandas is told of it.
#   php tests/Reference/make/understood.php | python3 tests/Reference/make/understood.py >tests/Reference/data/understood.json
# pandas 1.5.3
import json
import re
import sys
from io import StringIO

import pandas as pd


def csv(text, *columns, drop=(), **options):
    table = pd.read_csv(StringIO(text), **options)
    return table[list(columns)] if columns else table.drop(columns=list(drop))


def number(cell):
    """What is left of a cell when flags, units and signs for a missing value are taken off."""
    found = re.match(r'\s*-?[\d.]+', str(cell))
    return float(found.group()) if found else float('nan')


def bare(table):
    return table.apply(lambda column: column.map(number))


def days(text, when, by, measures, **options):
    table = csv(text, **options)
    table[when] = pd.to_datetime(table[when], dayfirst=True).dt.date
    return table.groupby([when, *by]).agg(measures)


def block(text, first, rows, **options):
    return csv(text, skiprows=first, nrows=rows, index_col=0, skip_blank_lines=False, **options)


AS = {
    'split by sex and age, with a total': lambda t: csv(t, 'cases'),
    'the total is the category that the others add up to': lambda t: csv(t, 'Bursts'),
    'a category that is larger than all others together is no total': lambda t: csv(t, 'Bursts'),
    'SDMX-CSV with its standard columns': lambda t: csv(t, 'OBS_VALUE'),
    'figures in powers of ten': lambda t: csv(t).eval('OBS_VALUE * 10 ** UNIT_MULT').to_frame(),
    'several keys in one cell, and flags after figures': lambda t: bare(csv(t, sep='\t', index_col=0)),
    'several keys in one cell, under a title': lambda t: csv(t, skiprows=2, index_col=0),
    'titles, a unit and a source above; a total and a note below': lambda t: block(t, 3, 4, thousands=','),
    'a row that the others add up to, whatever it is called': lambda t: csv(t, index_col=0),
    'one that is larger than all others together is no total': lambda t: csv(t, index_col=0),
    'names that only begin as a total does': lambda t: csv(t, index_col=0),
    'blocks one under the other, each under its title': lambda t: pd.concat(
        [block(t, 1, 2), block(t, 6, 2), block(t, 12, 2)]
    ),
    'weeks by the day that they end': lambda t: csv(t, 'Bursts'),
    'a handful of rows, split by the codes of ages': lambda t: csv(t, 'Staff'),
    'a figure that is the sum of the others by chance': lambda t: csv(t, index_col=0),
    'a text that tells no figures apart': lambda t: csv(t, 'Bursts'),
    'codes beside names, and years as R writes them': lambda t: csv(t, index_col=[0, 1]),
    'the code of a measure beside its name, lines above': lambda t: csv(t, '2020', '2021', skiprows=4),
    'a column that is empty, and one that appears twice': lambda t: csv(t, 'Alpha', 'Beta'),
    'thousands by points, as in German': lambda t: csv(t, sep=';', thousands='.', index_col=0),
    'figures with a point that are no thousands, beside some that could be': lambda t: csv(t, sep=';', index_col=0),
    'years that say so by themselves alone, in any order, and one is missing': lambda t: csv(t, index_col=0),
    'figures that look like years are none': lambda t: csv(t, index_col=0),
    'two months down, years across': lambda t: csv(t, index_col=0),
    'quarters as parts of a year': lambda t: csv(t, index_col=0),
    'the middles of months as parts of a year': lambda t: csv(t, index_col=0),
    'days as parts of a year': lambda t: csv(t, index_col=0),
    'every fifth year': lambda t: csv(t, sep=';', decimal=',', index_col=[0, 1]),
    'readings by the clock: a flow is summed over the day, a power averaged': lambda t: days(
        t, 'Read at', ['Works'], {'Water (Ml)': 'sum', 'Draw (MW)': 'mean'}
    ),
    'the hour in a column of its own, beside one column for each entity': lambda t: days(
        t, 'Date', [], {'Alder': 'mean', 'Birch': 'mean'}
    ),
    'hours in a column of their own, split by zone': lambda t: days(t, 'Date', ['Zone'], {'Load': 'mean'}),
    'the hour where there is no day': lambda t: csv(t, 'Visits'),
    'the entity by its heading, though what is split has more names': lambda t: csv(t, 'Output'),
    'a title, and columns that a spreadsheet has left behind': lambda t: csv(t, 'Alder', 'Birch', skiprows=1),
    'where each figure is from is said of no entity': lambda t: csv(t, 'Bursts'),
    'columns of quite another size are measures': lambda t: csv(t, index_col=0),
    'hours that were worked, and times that were run, are figures': lambda t: csv(t, 'Time', 'Hours'),
    'things that happened at any time, with nothing counted beside them': lambda t: csv(t, parse_dates=['When'])
    .groupby('Site')
    .When.apply(lambda s: s.dt.to_period('M').value_counts().reindex(pd.period_range('2024-04', '2024-05', freq='M')))
    .fillna(0)
    .to_frame(),
    'a text beside each day of one place': lambda t: csv(t, 'Rain', 'Temp'),
    'a number that is the same for each entity is no measure': lambda t: csv(t, 'births'),
    'an index column of a program, and numbered subjects': lambda t: csv(t, 'height'),
    'measures of one thing across': lambda t: csv(t, index_col=0),
    'one measure in two units': lambda t: csv(t, 'value'),
    'dates of the first of months, month before day': lambda t: csv(t, 'Sales'),
    'a date beside the year and the month that says the same': lambda t: csv(t, 'count'),
    'a breakdown by numbers': lambda t: csv(t, 'people'),
    'broken down at the side of periods': lambda t: csv(t, index_col=[0, 1]),
    'the headings again within the table': lambda t: bare(csv(t, 'Bursts')),
    'units in a row of their own, in Windows-1252 German': lambda t: csv(
        t, 'Umsatz', 'Ausfall', sep=';', decimal=',', thousands="'", skiprows=[1]
    ),
    'what is split has more categories than there are wards': lambda t: csv(t, 'Admissions', sep=';'),
    'figures whose heading begins as an entity does': lambda t: csv(t, index_col=0),
    'years without a heading that have no step, the latest first': lambda t: csv(t, index_col=0),
    'years without a heading that have no step': lambda t: csv(t, index_col=0),
    'seconds in every cell are a unit, and no flags': lambda t: bare(csv(t, 'Time')),
    'letters for why there is no figure': lambda t: bare(csv(t, 'Sales')),
}

found = {}
for name, text in json.load(sys.stdin).items():
    values = pd.Series(AS[name](text).astype(float).to_numpy().ravel()).dropna()
    found[name] = sorted(values.tolist())
json.dump(found, sys.stdout, ensure_ascii=False, separators=(",", ":"))
