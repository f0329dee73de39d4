# Life-years per person (people times life expectancy, divided by people), the same for all countries of a cluster together,
# and growth of population, worked out by hand in exact fractions from Gapminder's figures as the npm package
# vega-datasets 3.2.1 carries them.
#
#     python3 tests/Reference/make/per_capita.py PATH/data/gapminder.json > tests/Reference/data/per_capita.csv
import json, sys
from fractions import Fraction

print("# Python %s, vega-datasets 3.2.1: kind, name, then one value for each of 1955, 1960 … 2005" % sys.version.split()[0])
rows = json.load(open(sys.argv[1]))
people, life = {}, {}
for row in rows:
    if row["cluster"] == 3:
        people.setdefault(row["country"], {})[row["year"]] = Fraction(row["pop"])
        life.setdefault(row["country"], {})[row["year"]] = Fraction(str(row["life_expect"]))
years = range(1955, 2006, 5)
number = lambda f: repr(float(f))
line = lambda kind, name, values: print(",".join([kind, name.replace(",", ""), *map(number, values)]))
for country in people:
    p, l = people[country], life[country]
    line("people", country, [p[y] for y in years])
    line("life-years", country, [p[y] * l[y] for y in years])
    line("per person", country, [l[y] for y in years])
    line("index", country, [p[y] / p[1980] * 100 for y in years])
line("together", "", [sum(people[c][y] * life[c][y] for c in people) / sum(people[c][y] for c in people) for y in years])
line("mean of ratios", "", [sum(life[c][y] for c in people) / len(people) for y in years])
