# Indices by R on its own data sets: AirPassengers with the average of 1955 as 100, and the four closing prices of
# EuStockMarkets with their 260th day as 100. The test reads the values and the indices and needs no R.
#
#     Rscript tests/Reference/make/index.R > tests/Reference/data/index.csv
options(digits = 17)
cat(sprintf("# %s: values, then index; window() and mean() give the base\n", R.version.string))
row <- function(...) cat(paste(c(...), collapse = ","), "\n", sep = "")
number <- function(x) trimws(formatC(as.numeric(x), digits = 17, format = "g"))
row("AirPassengers", "values", number(AirPassengers))
row("AirPassengers", "1955", number(AirPassengers / mean(window(AirPassengers, 1955, c(1955, 12))) * 100))
row("AirPassengers", "1960-07", number(AirPassengers / window(AirPassengers, c(1960, 7), c(1960, 7))[1] * 100))
for (market in colnames(EuStockMarkets)) {
    prices <- as.numeric(EuStockMarkets[, market])
    row(market, "values", number(prices))
    row(market, "260", number(prices / prices[260] * 100))
}
