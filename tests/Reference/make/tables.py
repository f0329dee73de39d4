# Open tables as the npm package vega-datasets 3.2.1 carries them, with what Python's csv module reads in them: entity,
# measure, period, value. The events are counted, added up, and told apart by hand, with exact fractions for the mean.
#
#     python3 tests/Reference/make/tables.py PATH/data tests/Reference/data/tables
import csv, datetime, shutil, statistics, sys
from fractions import Fraction
source, out = sys.argv[1:]

def write(name, rows):
    with open(f"{out}/{name}.expected.csv", "w") as f:
        f.write("# Python %s, vega-datasets 3.2.1, %s.csv\n" % (sys.version.split()[0], name))
        for entity, measure, period, value in rows:
            f.write(",".join([entity.replace(",", ""), measure, period, repr(float(value))]) + "\n")

def table(name):
    return list(csv.DictReader(open(f"{source}/{name}.csv")))

for name in ("stocks", "iowa-electricity"):
    shutil.copy(f"{source}/{name}.csv", out)
month = lambda text: datetime.datetime.strptime(text, "%b %d %Y").strftime("%Y-%m")
write("stocks", [(r["symbol"], "price", month(r["date"]), r["price"]) for r in table("stocks")])
write("iowa-electricity", [(r["source"], "net_generation", r["year"][:4], r["net_generation"]) for r in table("iowa-electricity")])

# Events: strikes of birds at four airports, by month.
strikes = [r for r in table("birdstrikes") if r["Origin State"] in ("Texas", "Florida", "Colorado", "Ohio")][:400]
columns = ["Origin State", "Flight Date", "Aircraft Make Model", "Cost Total $"]
with open(f"{out}/birdstrikes.csv", "w", newline="") as f:
    w = csv.writer(f)
    w.writerow(["State", "Date", "Aircraft", "Cost"])
    for r in strikes:
        w.writerow([r[c] for c in columns])
when = lambda r: r["Flight Date"][:7] if "-" in r["Flight Date"] else datetime.datetime.strptime(r["Flight Date"], "%m/%d/%y %H:%M").strftime("%Y-%m")
months = sorted({when(r) for r in strikes})
span = []
year, m = map(int, months[0].split("-"))
while "%d-%02d" % (year, m) <= months[-1]:
    span.append("%d-%02d" % (year, m))
    year, m = (year, m + 1) if m < 12 else (year + 1, 1)
rows = []
for state in sorted({r["Origin State"] for r in strikes}):
    for period in span:
        here = [r for r in strikes if r["Origin State"] == state and when(r) == period]
        costs = [Fraction(r["Cost Total $"]) for r in here]
        rows.append((state, "Birdstrikes", period, len(here)))
        rows.append((state, "Cost", period, sum(costs)))
        rows.append((state, "Distinct aircraft", period, len({r["Aircraft Make Model"] for r in here})))
write("birdstrikes", rows)
