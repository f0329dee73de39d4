# Limits of Poisson and binomial counts, interpolated as Spiegelhalter (2005, A.1) has it, from ppois() and pbinom().
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
