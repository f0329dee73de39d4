"""The scripted way of doing the same: pandas and matplotlib on the same file. Run by bin/bench --scripted.

    python3 bench/scripted.py file FILE STORE    reads the file, stores it, calculates and draws
    python3 bench/scripted.py stored STORE       calculates and draws what was stored
    python3 bench/scripted.py calculations       prints the milliseconds of each calculation on 8,334 series of 120
                                                 months, the least of five, as JSON
"""

import json
import sys
import tempfile
import time

import matplotlib

matplotlib.use("Agg")
import matplotlib.pyplot as plt
import numpy as np
import pandas as pd


def chain(table):
    """Per day, mean of twelve months, index to the year 2012."""
    table = table.div(table.index.days_in_month, axis=0)
    table = table.rolling(12).mean()
    return table / table[table.index.year == 2012].mean() * 100


def picture(table):
    figure, axes = plt.subplots(figsize=(9.56, 4.04), dpi=100)
    axes.plot(table.index.to_timestamp(), table.iloc[:, 1:], color="#b9bfc6", linewidth=0.8)
    axes.plot(table.index.to_timestamp(), table.median(axis=1), color="#555", linewidth=1.6)
    axes.plot(table.index.to_timestamp(), table.iloc[:, 0], color="#b23a10", linewidth=2.2)
    with tempfile.NamedTemporaryFile(suffix=".svg") as out:
        figure.savefig(out.name)
    plt.close(figure)


def read(path):
    rows = pd.read_csv(path)
    months = rows["Month"].unique()
    rows["Month"] = rows["Month"].map(dict(zip(months, pd.PeriodIndex(months, freq="M"))))
    table = rows.pivot(index="Month", columns="Entity", values="Flow (Ml)")
    table.index = pd.PeriodIndex(table.index, freq="M")
    return table[rows["Entity"].unique()]


def least(work, times=5):
    took = []
    for _ in range(times):
        start = time.perf_counter()
        work()
        took.append(time.perf_counter() - start)
    return min(took)


def calculations():
    generator = np.random.default_rng(1)
    months = pd.period_range("2010-01", periods=120, freq="M")
    table = pd.DataFrame(100 * np.exp(generator.normal(0, 0.05, (120, 8334)).cumsum(axis=0)), index=months)
    years = pd.period_range("2010", periods=10, freq="Y")
    people = pd.DataFrame(generator.uniform(1e4, 9e4, (10, 8334)), index=years)
    of_month = months.asfreq("Y")

    def seasons():
        trend = (table.rolling(12).mean() + table.rolling(12).mean().shift(-1)).shift(-5) / 2
        off = table - trend
        usual = off.groupby(off.index.month).transform("mean")
        return table - usual

    middles = people.copy()
    middles.index = pd.PeriodIndex([f"{year}-07" for year in years.year], freq="M")
    work = {
        "per denominator": lambda: table / people.reindex(of_month).to_numpy() * 1e6,
        "straight lines between denominators": lambda: table / middles.reindex(months).interpolate(limit_direction="both"),
        "rolling mean of 12": lambda: table.rolling(12).mean(),
        "rolling highest of 12": lambda: table.rolling(12).max(),
        "rolling median of 12": lambda: table.rolling(12).median(),
        "index to the average of a year": lambda: table / table[months.year == 2015].mean() * 100,
        "index to one month": lambda: table / table.loc["2018-06"] * 100,
        "per day": lambda: table.div(months.days_in_month, axis=0),
        "months to years": lambda: table.groupby(months.year).sum(),
        "change on a year ago": lambda: (table / table.shift(12) - 1) * 100,
        "year to date": lambda: table.groupby(months.year).cumsum(),
        "share of all": lambda: table.div(table.sum(axis=1), axis=0) * 100,
        "against the peer median": lambda: table.sub(table.median(axis=1), axis=0),
        "standardise": lambda: table.sub(table.mean(axis=1), axis=0).div(table.std(axis=1), axis=0),
        "rank": lambda: table.rank(axis=1, ascending=False, method="min"),
        "seasons": seasons,
    }
    return {name: least(one) * 1000 for name, one in work.items()}


if sys.argv[1] == "file":
    whole = read(sys.argv[2])
    whole.to_pickle(sys.argv[3])
    picture(chain(whole))
elif sys.argv[1] == "stored":
    picture(chain(pd.read_pickle(sys.argv[2])))
else:
    print(json.dumps(calculations()))
