"""Every ISO 8601 week that has a day from 1970 to 2070, by Python's date.isocalendar().

    python3 tests/Reference/make/iso_weeks.py > tests/Reference/data/iso_weeks.csv
"""
import sys
from datetime import date, timedelta

print(f"# Python {sys.version.split()[0]}: date.isocalendar(); Monday of the week, ISO year, ISO week")
day = date(1970, 1, 1) - timedelta(days=3)
while day.year <= 2070:
    year, week, _ = day.isocalendar()
    # The test reads one row for seven days, so the seven must agree.
    assert all((day + timedelta(days=n)).isocalendar()[:2] == (year, week) for n in range(7))
    print(f"{day},{year},{week}")
    day += timedelta(days=7)
