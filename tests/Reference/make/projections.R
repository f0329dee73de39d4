# Series carried on: the best linear prediction from a straight line with a bend in first-order errors (Goldberger, 1962),
# from the joint normal distribution written out as matrices, the likeness given; damped trends by ets() of forecast
# (Hyndman and Khandakar, 2008), with its numbers given and fitted; random walks with drift by rwf().
#
#     Rscript tests/Reference/make/projections.R > tests/Reference/data/projections.csv
suppressMessages(library(forecast))
number <- function(x) trimws(formatC(as.numeric(x), digits = 17, format = "g"))
row <- function(...) cat(paste(c(...), collapse = ","), "\n", sep = "")
cat(sprintf("# %s, forecast %s: values of a series; line, series, likeness, bend, ahead, value, its standard error; damped, series, level,\n# share of the trend, damping, ahead, value, half of its 80 %% interval in shocks; fitted, series, squares; drift, series, ahead, value, standard error\n",
    R.version.string, packageVersion("forecast")))
all <- list(Nile = Nile, LakeHuron = LakeHuron, deaths = log10(UKDriverDeaths), uspop = uspop, WWWusage = WWWusage)
for (name in names(all)) {
    y <- as.numeric(all[[name]]); n <- length(y); t <- seq_len(n)
    row("values", name, number(y))
    bend <- round(n / 2)
    design <- function(t) cbind(1, t, pmax(0, t - bend))
    for (r in c(0.2, 0.8)) for (h in c(1, 4)) {
        all_t <- c(t, n + h)
        v <- r^abs(outer(all_t, all_t, "-")) / (1 - r^2)
        V <- v[t, t]; w <- v[t, n + 1]; X <- design(t); x <- design(n + h)
        W <- solve(V); b <- solve(t(X) %*% W %*% X, t(X) %*% W %*% y); e <- y - X %*% b
        s2 <- as.numeric(t(e) %*% W %*% e) / (n - 3)
        value <- x %*% b + t(w) %*% W %*% e
        d <- t(x) - t(X) %*% W %*% w
        variance <- s2 * (v[n + 1, n + 1] - t(w) %*% W %*% w + t(d) %*% solve(t(X) %*% W %*% X, d))
        row("line", name, r, bend, h, number(value), number(sqrt(variance)))
    }
    for (p in list(c(0.3, 0.2, 0.9), c(0.8, 0.05, 0.98))) {
        fit <- ets(y, "AAN", damped = TRUE, alpha = p[1], beta = p[1] * p[2], phi = p[3], opt.crit = "mse")
        ahead <- forecast(fit, h = 6, level = 80)
        half <- (ahead$upper[, 1] - ahead$mean) / qnorm(0.9) / sqrt(fit$sigma2)
        for (h in c(1, 3, 6)) row("damped", name, p, h, number(ahead$mean[h]), number(half[h]))
    }
    fit <- ets(y, "AAN", damped = TRUE, opt.crit = "mse", bounds = "usual")
    row("fitted", name, number(sum(residuals(fit)^2)))
    drift <- rwf(y, drift = TRUE, h = 8, level = 80)
    for (h in c(1, 8)) row("drift", name, h, number(drift$mean[h]), number((drift$upper[h] - drift$mean[h]) / qnorm(0.9)))
}
for (df in c(1, 3, 20, 200)) row("t", df, number(qt(0.975, df)), number(qt(0.9, df)))
