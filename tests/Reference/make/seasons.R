# Classical decomposition by R's decompose() of AirPassengers and nottem, multiplicative and additive.
#
#     Rscript tests/Reference/make/seasons.R > tests/Reference/data/seasons.csv
cat(sprintf("# %s: decompose(); series, model, part, then one value a period\n", R.version.string))
number <- function(x) ifelse(is.na(x), "", trimws(formatC(as.numeric(x), digits = 17, format = "g")))
row <- function(...) cat(paste(c(...), collapse = ","), "\n", sep = "")
sets <- list(AirPassengers = AirPassengers, nottem = nottem)
for (name in names(sets)) {
    row(name, "", "values", number(sets[[name]]))
    for (model in c("multiplicative", "additive")) {
        parts <- decompose(sets[[name]], model)
        row(name, model, "trend", number(parts$trend))
        row(name, model, "seasonal", number(parts$seasonal))
    }
}
