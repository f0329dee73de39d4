# Distances of the states of state.x77 (R's datasets) from Ohio, in plain R: logarithms where the largest is ten times
# the smallest, mad(), and the weighted mean of squares. A region in words differs by 1 or not at all.
#
#     Rscript tests/Reference/make/peers.R > tests/Reference/data/peers.csv
x <- as.data.frame(state.x77)
scaled <- function(v) {
  if (min(v) > 0 && max(v) >= 10 * min(v)) v <- log(v)
  (v - median(v)) / mad(v)
}
w <- c(population = 1, income = 1, area = 0.5, region = 2)
i <- which(rownames(x) == "Ohio")
parts <- cbind(
  abs(scaled(x$Population) - scaled(x$Population)[i]),
  abs(scaled(x$Income) - scaled(x$Income)[i]),
  abs(scaled(x$Area) - scaled(x$Area)[i]),
  as.numeric(state.region != state.region[i])
)
d <- sqrt(rowSums(sweep(parts^2, 2, w, "*")) / sum(w))
cat(sprintf("# %s: state, population, income, area, region, distance from Ohio\n", R.version.string))
cat(sprintf("%s,%s,%s,%s,%s,%.15g\n", rownames(x), x$Population, x$Income, x$Area, state.region, d), sep = "")
