"""Trailing means by pandas, over full and partial windows, with gaps.

    R -q -s -e 'writeLines(as.character(AirPassengers))' > /tmp/air.txt
    python3 tests/Reference/make/rolling.py /tmp/air.txt > tests/Reference/data/rolling.csv
"""
import sys

import numpy as np
import pandas as pd

air = pd.Series([float(line) for line in open(sys.argv[1])])
gappy = air.copy()
gappy[[0, 5, 17, 18, 19, 60, 61, 143]] = np.nan
spiky = air.copy()
spiky[70] = 1e12

print(f"# pandas {pd.__version__}, numpy {np.__version__}: Series.rolling(window, min_periods).mean() of R's AirPassengers")
print("# statistic-series,window,needed,then one value a period, empty where there is none")
for name, series in (("air", air), ("gappy", gappy), ("spiky", spiky)):
    print(",".join([name, "", ""] + ["" if np.isnan(v) else repr(v) for v in series]))
    for window, needed in ((2, 2), (3, 3), (7, 7), (12, 12), (12, 6), (7, 1), (200, 200), (200, 1)):
        if name == "spiky":
            # pandas subtracts what leaves its window and loses digits after a spike; here each mean is taken anew.
            means = series.rolling(window, min_periods=needed).apply(np.mean, raw=True)
        else:
            means = series.rolling(window, min_periods=needed).mean()
        print(",".join([name, str(window), str(needed)] + ["" if np.isnan(v) else repr(v) for v in means]))

# Other statistics, on the series with gaps.
for statistic in ("median", "min", "max", "sum"):
    for window, needed in ((3, 3), (7, 7), (12, 12), (12, 5)):
        if statistic == "sum" and needed < window:
            continue
        found = getattr(gappy.rolling(window, min_periods=needed), statistic)()
        print(",".join([f"{statistic}-gappy", str(window), str(needed)] + ["" if np.isnan(v) else repr(v) for v in found]))

# Changes: pct_change() of one and of twelve periods, in per cent, without filling gaps.
for periods in (1, 12):
    found = gappy.pct_change(periods, fill_method=None) * 100
    print(",".join(["change-gappy", str(periods), ""] + ["" if np.isnan(v) else repr(v) for v in found]))

# The year to date: cumsum() within each calendar year; AirPassengers starts in January 1949.
years = pd.Series([1949 + i // 12 for i in range(len(air))])
print(",".join(["todate-air", "", "1"] + [repr(v) for v in air.groupby(years).cumsum()]))

# Ranks over five series made of slices: rank(method="min") along each row, highest first.
table = pd.DataFrame({f"s{i}": gappy[i * 20:i * 20 + 40].reset_index(drop=True).round(-1) for i in range(5)})
for name in table:
    print(",".join([f"rank-{name}", "", "1"] + ["" if np.isnan(v) else repr(v) for v in table[name]]))
    print(",".join([f"ranked-{name}", "", "1"] + ["" if np.isnan(v) else repr(v) for v in table.rank(axis=1, method="min", ascending=False)[name]]))
