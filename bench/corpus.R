# Writes the tables of R's package `datasets` as CSV, as write.csv and a table of a time series give them, and to
# sums.csv how many values each holds and what they add up to, as R has them.
#   Rscript bench/corpus.R folder
folder <- commandArgs(TRUE)[1]
w <- function(x, n, ...) write.csv(x, file.path(folder, paste0(n, ".csv")), ...)
when <- function(x) {
  year <- floor(time(x) + 1e-6)
  if (frequency(x) == 1) as.integer(time(x))
  else if (frequency(x) == 12) sprintf("%d-%02d", as.integer(year), as.integer(cycle(x)))
  else if (frequency(x) == 4) paste0(year, " Q", cycle(x))
  else as.numeric(time(x))
}
for (n in sub(" .*", "", data(package = "datasets")$results[, "Item"])) {
  x <- tryCatch(get(n), error = function(e) NULL)
  if (is.data.frame(x)) w(as.data.frame(x), n, row.names = !identical(rownames(x), as.character(seq_len(nrow(x)))))
  else if (inherits(x, "ts") && is.matrix(x)) w(data.frame(time = when(x), unclass(x)), n, row.names = FALSE)
  else if (inherits(x, "ts")) { d <- data.frame(time = when(x), value = as.numeric(x)); names(d)[2] <- n; w(d, n, row.names = FALSE) }
  else if (is.matrix(x)) w(x, n)
}

# What is measured, where not all columns of numbers are.
measured <- list(ChickWeight = "weight", Orange = "circumference", Loblolly = "height", longley = -6)
sums <- NULL
for (n in list.files(folder, "\\.csv$")) {
  x <- tryCatch(get(sub("\\.csv$", "", n)), error = function(e) NULL)
  if (is.null(x)) next
  if (is.data.frame(x)) x <- x[if (is.null(measured[[sub("\\.csv$", "", n)]])) TRUE else measured[[sub("\\.csv$", "", n)]]]
  if (is.data.frame(x)) x <- x[sapply(x, is.numeric)]
  v <- suppressWarnings(as.numeric(as.matrix(x)))
  sums <- rbind(sums, data.frame(name = n, count = sum(!is.na(v)), sum = format(sum(v, na.rm = TRUE), digits = 15)))
}
write.csv(sums, file.path(folder, "sums.csv"), row.names = FALSE)
