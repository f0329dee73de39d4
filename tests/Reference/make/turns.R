# Where R's open series are best cut into parts with a straight line each: breakpoints() of strucchange (Zeileis, Leisch,
# Hornik and Kleiber, 2002) by the dynamic programming of Bai and Perron (2003); and straight lines with a bend and a step by
# gls() of nlme with errors of a first-order process across gaps, its likeness given.
#
#     Rscript tests/Reference/make/turns.R > tests/Reference/data/turns.csv
suppressMessages({ library(strucchange); library(nlme) })
data(RealInt)
number <- function(x) trimws(formatC(as.numeric(x), digits = 17, format = "g"))
row <- function(...) cat(paste(c(...), collapse = ","), "\n", sep = "")
cat(sprintf("# %s, strucchange %s, nlme %s: values of a series; cuts, series, shortest, number, squares, last of each part; gls,\n# series, likeness, bend, step, slope before, its error, slope after, its error, step\n",
    R.version.string, packageVersion("strucchange"), packageVersion("nlme")))
all <- list(Nile = Nile, UKDriverDeaths = log10(UKDriverDeaths), RealInt = RealInt, LakeHuron = LakeHuron,
    discoveries = discoveries, AirPassengers = AirPassengers)
for (name in names(all)) {
    y <- as.numeric(all[[name]]); t <- seq_along(y); h <- ceiling(0.1 * length(y))
    row("values", name, number(y))
    b <- breakpoints(y ~ t, h = h)
    for (m in 0:3) {
        one <- breakpoints(b, breaks = m)
        row("cuts", name, h, m, number(one$RSS), if (m > 0) one$breakpoints)
    }
    for (r in c(1e-12, 0.3, 0.8)) {
        n <- length(y); keep <- setdiff(t, c(5, 6, 30)); bend <- round(n / 3); step <- round(2 * n / 3)
        d <- data.frame(y = y, t = t, b = pmax(0, t - bend), s = as.numeric(t >= step))[keep, ]
        fit <- gls(y ~ t + b + s, d, correlation = corCAR1(r, form = ~t, fixed = TRUE))
        v <- vcov(fit); after <- c(0, 1, 1, 0)
        row("gls", name, number(r), bend, step, number(coef(fit)["t"]), number(sqrt(v["t", "t"])),
            number(sum(coef(fit) * after)), number(sqrt(t(after) %*% v %*% after)), number(coef(fit)["s"]))
    }
}
