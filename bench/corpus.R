# Writes the tables of R's package `datasets` as CSV, as write.csv and a table of a time series give them.
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
