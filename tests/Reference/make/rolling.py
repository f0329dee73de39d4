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
print("# series,window,needed,then one value a period, empty where there is none")
for name, series in (("air", air), ("gappy", gappy), ("spiky", spiky)):
    print(",".join([name, "", ""] + ["" if np.isnan(v) else repr(v) for v in series]))
    for window, needed in ((2, 2), (3, 3), (7, 7), (12, 12), (12, 6), (7, 1), (200, 200), (200, 1)):
        if name == "spiky":
            # pandas subtracts what leaves its window and loses digits after a spike; here each mean is taken anew.
            means = series.rolling(window, min_periods=needed).apply(np.mean, raw=True)
        else:
            means = series.rolling(window, min_periods=needed).mean()
        print(",".join([name, str(window), str(needed)] + ["" if np.isnan(v) else repr(v) for v in means]))
