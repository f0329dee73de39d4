# Straight lines by lm(), Kendall's test by cor.test(exact = FALSE, continuity = TRUE), and the median of all slopes, on
# R's own data sets.
#
#     Rscript tests/Reference/make/trends.R > tests/Reference/data/trends.csv
cat(sprintf("# %s: name, intercept, slope, R squared, Mann-Kendall p, Theil-Sen slope; then x; then y\n", R.version.string))
number <- function(x) trimws(formatC(as.numeric(x), digits = 17, format = "g"))
row <- function(...) cat(paste(c(...), collapse = ","), "\n", sep = "")
pairs <- list(cars = cars, women = women, Nile = data.frame(seq_along(Nile), as.numeric(Nile)),
    rounded = data.frame(seq_along(Nile), round(as.numeric(Nile), -2)), lynx = data.frame(seq_along(lynx), as.numeric(lynx)))
for (column in setdiff(names(longley), "Employed")) pairs[[paste0("longley.", column)]] <- data.frame(longley[[column]], longley$Employed)
for (i in 1:4) pairs[[paste0("anscombe", i)]] <- data.frame(anscombe[[paste0("x", i)]], anscombe[[paste0("y", i)]])
for (name in names(pairs)) {
    x <- pairs[[name]][[1]]
    y <- pairs[[name]][[2]]
    fit <- lm(y ~ x)
    places <- seq_along(y)
    test <- suppressWarnings(cor.test(places, y, method = "kendall", exact = FALSE, continuity = TRUE))
    slopes <- outer(y, y, "-") / outer(places, places, "-")
    row(name, number(coef(fit)), number(summary(fit)$r.squared), number(test$p.value), number(median(slopes[lower.tri(slopes)])))
    row(name, number(x))
    row(name, number(y))
}
