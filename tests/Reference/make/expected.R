# Least squares with one to three drivers by lm(), plain and of logarithms, of R's longley (Longley, 1967, made to be
# hard), mtcars and state.x77; and the medians of Theil and Sen, written out.
#
#     Rscript tests/Reference/make/expected.R > tests/Reference/data/expected.csv
number <- function(x) trimws(formatC(as.numeric(x), digits = 17, format = "g"))
row <- function(...) cat(paste(c(...), collapse = ","), "\n", sep = "")
cat(sprintf("# %s: fit, drivers, n, intercept, slopes, R squared; then y and the drivers, a row each\n", R.version.string))
fit <- function(name, y, ...) {
    x <- list(...)
    m <- lm(y ~ do.call(cbind, x))
    row(name, length(x), length(y), number(coef(m)), number(summary(m)$r.squared))
    for (v in c(list(y), x)) row(number(v))
}
fit("squares", longley$Employed, longley$GNP)
fit("squares", longley$Employed, longley$GNP, longley$Unemployed, longley$Year)
fit("squares", mtcars$mpg, mtcars$wt, mtcars$hp)
fit("squares", log(state.x77[, "Population"]), log(state.x77[, "Area"]), state.x77[, "Income"])
for (d in list(list(mtcars$mpg, mtcars$wt), list(cars$dist, cars$speed))) {
    y <- d[[1]]; x <- d[[2]]
    s <- outer(y, y, "-") / outer(x, x, "-")
    b <- median(s[upper.tri(s)][is.finite(s[upper.tri(s)])])
    row("medians", 1, length(y), number(median(y - b * x)), number(b), "")
    row(number(y)); row(number(x))
}
