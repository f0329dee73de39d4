# Kendall's test of few values by cor.test(exact = TRUE); of monthly and quarterly series the statistic of each season by
# cor.test, its variance with ties written out, and the median of the slopes within seasons; and the tails of Student's t.
#
#     Rscript tests/Reference/make/kendall.R > tests/Reference/data/kendall.csv
cat(sprintf("# %s: exact: p, then values; seasonal: season, S, variance, p, slope a period, then values; t: t, freedom, p\n", R.version.string))
number <- function(x) trimws(formatC(as.numeric(x), digits = 17, format = "g"))
row <- function(...) cat(paste(c(...), collapse = ","), "\n", sep = "")
set.seed(1945)
for (n in 4:9) for (i in 1:4) {
    y <- sample(100, n) + if (i > 2) 30.01 * seq_len(n) else 0
    row("exact", number(cor.test(seq_len(n), y, method = "kendall", exact = TRUE)$p.value), number(y))
}
within <- function(y) {
    n <- length(y)
    s <- sum(sign(outer(y, y, function(a, b) b - a))[upper.tri(diag(n))])
    ties <- as.numeric(table(y))
    slopes <- (outer(y, y, function(a, b) b - a) / outer(seq_len(n), seq_len(n), function(a, b) b - a))[upper.tri(diag(n))]
    list(s = s, v = (n * (n - 1) * (2 * n + 5) - sum(ties * (ties - 1) * (2 * ties + 5))) / 18, slopes = slopes)
}
for (series in list(nottem, AirPassengers, UKgas, JohnsonJohnson, ldeaths, UKDriverDeaths)) {
    season <- frequency(series)
    parts <- lapply(seq_len(season), function(k) within(as.numeric(series)[seq(k, length(series), by = season)]))
    s <- sum(sapply(parts, `[[`, "s"))
    v <- sum(sapply(parts, `[[`, "v"))
    p <- 2 * pnorm(-abs(s - sign(s)) / sqrt(v))
    row("seasonal", season, number(c(s, v, p, median(unlist(lapply(parts, `[[`, "slopes"))) / season, series)))
}
for (freedom in c(1, 1.5, 3, 7.25, 20, 118)) for (t in c(0, 0.3, 1.96, 4, 12)) row("t", number(c(t, freedom, 2 * pt(-t, freedom))))
