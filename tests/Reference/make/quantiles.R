# Quantiles of types 6, 7 and 8 (Hyndman and Fan, 1996) by R on its own data sets.
#
#     Rscript tests/Reference/make/quantiles.R > tests/Reference/data/quantiles.csv
cat(sprintf("# %s: quantile(type = 6, 7, 8); name, share, the three quantiles, then the values\n", R.version.string))
number <- function(x) trimws(formatC(as.numeric(x), digits = 17, format = "g"))
sets <- list(precip = precip, rivers = rivers, islands = islands, one = 42, two = c(3, 1), ties = c(5, 5, 5, 1, 9, 9))
for (name in names(sets)) {
    for (share in c(0, 0.1, 0.25, 1 / 3, 0.5, 0.75, 0.9, 1)) {
        of <- sapply(c(6, 7, 8), function(type) quantile(sets[[name]], share, type = type))
        cat(paste(c(name, number(share), number(of), number(sets[[name]])), collapse = ","), "\n", sep = "")
    }
}
