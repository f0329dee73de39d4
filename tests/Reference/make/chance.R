# Limits of Poisson, binomial and negative binomial counts, interpolated as Spiegelhalter (2005, A.1) has it, from ppois(),
# pbinom() and pnbinom(): the last are of a count beside another, given exposures in the ratio of `n` to one.
#
#     Rscript tests/Reference/make/chance.R > tests/Reference/data/chance.csv
number <- function(x) trimws(formatC(as.numeric(x), digits = 17, format = "g"))
cat(sprintf("# %s: which, expected or n, probability, share, limit\n", R.version.string))
between <- function(quantile, below, share) {
    r <- quantile(share)
    if (below(r) <= share) r <- r + 1
    r - (below(r) - share) / (below(r) - below(r - 1))
}
for (e in c(0.3, 1, 4.7, 20, 133.4, 2500, 81234.5)) for (p in c(0.001, 0.025, 0.975, 0.999))
    cat("poisson", number(e), "", p, number(between(function(s) qpois(s, e), function(k) ppois(k, e), p)), sep = ",", fill = TRUE)
for (n in c(5, 60, 900, 40000)) for (q in c(0.01, 0.3, 0.85)) for (p in c(0.001, 0.025, 0.975, 0.999))
    cat("binomial", n, q, p, number(between(function(s) qbinom(s, n, q), function(k) pbinom(k, n, q), p)), sep = ",", fill = TRUE)
for (others in c(3, 60, 1200)) for (times in c(0.05, 1, 8)) for (p in c(0.001, 0.025, 0.975, 0.999)) {
    size <- if (p < 0.5) others else others + 1
    chance <- 1 / (1 + times)
    cat("beside", times, others, p, number(between(function(s) qnbinom(s, size, chance), function(k) pnbinom(k, size, chance), p)), sep = ",", fill = TRUE)
}
