"""ISO 8601 weeks by Python's date.isocalendar(): all of a year with 53 weeks and of the next, and around the turn of
each year from 1970 to 2070 and of those about 1900 and 2100, which are no leap years.

    python3 tests/Reference/make/iso_weeks.py > tests/Reference/data/iso_weeks.csv
"""
import sys
from datetime import date, timedelta

turns = [*range(1897, 1906), *range(1970, 2072), *range(2097, 2106)]
days = {date(year, 1, 1) + timedelta(days=7 * n) for year in turns for n in (-2, -1, 0, 1)}
days |= {date(2020, 1, 1) + timedelta(days=7 * n) for n in range(106)}
print(f"# Python {sys.version.split()[0]}: date.isocalendar(); Monday of the week, ISO year, ISO week")
for monday in sorted({day - timedelta(days=day.weekday()) for day in days}):
    year, week, _ = monday.isocalendar()
    # The test reads one row for seven days, so the seven must agree.
    assert all((monday + timedelta(days=n)).isocalendar()[:2] == (year, week) for n in range(7))
    print(f"{monday},{year},{week}")
