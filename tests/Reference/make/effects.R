# Before and after: differences in differences on panels of simulated members, by lm() with fixed effects of members and
# periods, clustered errors CR2 and degrees of freedom by clubSandwich (Pustejovsky and Tipton, 2018); with one or two on a
# side by lm() on one change for each member.
#
#     Rscript tests/Reference/make/effects.R > tests/Reference/data/effects.csv
suppressMessages(library(clubSandwich))
number <- function(x) trimws(formatC(as.numeric(x), digits = 17, format = "g"))
row <- function(...) cat(paste(c(...), collapse = ","), "\n", sep = "")
cat(sprintf("# %s, clubSandwich %s: panel, members with it, without it, periods before, after; values, panel, member, values; clustered, panel, effect, error, degrees of freedom, p; pooled, panel, effect, error, degrees of freedom, p\n",
    R.version.string, packageVersion("clubSandwich")))
set.seed(1986)
shapes <- list(c(8, 16, 6, 6), c(3, 10, 4, 4), c(5, 4, 12, 12), c(12, 3, 5, 5), c(1, 12, 6, 6), c(2, 9, 4, 4), c(10, 2, 3, 3))
for (p in seq_along(shapes)) {
    s <- shapes[[p]]; n <- s[1] + s[2]; t <- s[3] + s[4]
    shocks <- rnorm(t, 0, 2)
    y <- t(sapply(seq_len(n), function(i) {
        e <- as.numeric(arima.sim(list(ar = 0.5), t))
        50 + rnorm(1, 0, 10) + shocks + e + (i <= s[1]) * c(rep(0, s[3]), rep(-2 + rnorm(1, 0, 0.5), s[4]))
    }))
    row("panel", p, s)
    for (i in seq_len(n)) row("values", p, i, number(y[i, ]))
    long <- data.frame(y = as.vector(t(y)), member = factor(rep(seq_len(n), each = t)), period = factor(rep(seq_len(t), n)))
    long$d <- as.numeric(as.integer(long$member) <= s[1] & as.integer(long$period) > s[3])
    if (min(s[1], s[2]) > 2) {
        fit <- lm(y ~ 0 + member + period + d, data = long)
        test <- coef_test(fit, vcov = "CR2", cluster = long$member, test = "Satterthwaite", coefs = "d")
        row("clustered", p, number(test$beta), number(test$SE), number(test$df_Satt), number(test$p_Satt))
    } else {
        change <- rowMeans(y[, s[3] + seq_len(s[4]), drop = FALSE]) - rowMeans(y[, seq_len(s[3]), drop = FALSE])
        fit <- summary(lm(change ~ d, data = data.frame(change, d = as.numeric(seq_len(n) <= s[1]))))
        row("pooled", p, number(fit$coefficients[2, 1:2]), fit$df[2], number(fit$coefficients[2, 4]))
    }
}
