# Tables of R's own data sets in the shapes that people send them in, each with what R has in it: entity, measure, period,
# value.
#
#     Rscript tests/Reference/make/tables.R tests/Reference/data/tables
out <- commandArgs(trailingOnly = TRUE)[1]
write <- function(name, table, expected, ...) {
    write.csv(table, file.path(out, paste0(name, ".csv")), row.names = FALSE, quote = FALSE, na = "", ...)
    expected$value <- formatC(as.numeric(expected$value), digits = 17, format = "g")
    cat(sprintf("# %s, data set %s\n", R.version.string, name), file = file.path(out, paste0(name, ".expected.csv")))
    suppressWarnings(write.table(expected[, c("entity", "measure", "period", "value")], file.path(out, paste0(name, ".expected.csv")), sep = ",", row.names = FALSE, col.names = FALSE, quote = FALSE, append = TRUE))
}
ym <- function(x) sprintf("%d-%02d", floor(time(x) + 1e-9), cycle(x))

# Months down, years across: one entity.
air <- matrix(AirPassengers, nrow = 12)
write("AirPassengers", data.frame(Month = month.name, setNames(as.data.frame(air), 1949:1960), check.names = FALSE),
    data.frame(entity = "AirPassengers", measure = "AirPassengers", period = ym(AirPassengers), value = AirPassengers))
# Years down, entities across.
write("WorldPhones", data.frame(Year = rownames(WorldPhones), WorldPhones, check.names = FALSE),
    data.frame(entity = rep(colnames(WorldPhones), each = nrow(WorldPhones)), measure = "WorldPhones", period = rep(rownames(WorldPhones), ncol(WorldPhones)), value = as.vector(WorldPhones)))
# Periods across, entities down.
spent <- USPersonalExpenditure
write("USPersonalExpenditure", data.frame(Category = rownames(spent), spent, check.names = FALSE),
    data.frame(entity = rep(rownames(spent), ncol(spent)), measure = "USPersonalExpenditure", period = rep(colnames(spent), each = nrow(spent)), value = as.vector(spent)))
# A plain number along the axis, long.
write("Orange", data.frame(Tree = paste("Tree", Orange$Tree), age = Orange$age, circumference = Orange$circumference),
    data.frame(entity = paste("Tree", Orange$Tree), measure = "circumference", period = paste0("#", Orange$age), value = Orange$circumference))
chicks <- ChickWeight
write("ChickWeight", data.frame(Chick = paste("Chick", chicks$Chick), Time = chicks$Time, weight = chicks$weight),
    data.frame(entity = paste("Chick", chicks$Chick), measure = "weight", period = paste0("#", chicks$Time), value = chicks$weight))
# Months long, one entity.
write("UKDriverDeaths", data.frame(Month = ym(UKDriverDeaths), Deaths = as.numeric(UKDriverDeaths)),
    data.frame(entity = "UKDriverDeaths", measure = "Deaths", period = ym(UKDriverDeaths), value = UKDriverDeaths))
# One moment, measures across.
cars <- mtcars[, c("mpg", "disp", "hp", "wt")]
write("mtcars", data.frame(Model = rownames(cars), cars),
    data.frame(entity = rep(rownames(cars), ncol(cars)), measure = rep(colnames(cars), each = nrow(cars)), period = "#1", value = unlist(cars)))
# Two rows of headings, measure over year: the deaths and the drivers of 1969 to 1971 by month.
belts <- Seatbelts[1:36, c("drivers", "front", "rear")]
table <- data.frame(month = month.name, matrix(as.vector(belts), nrow = 12))
lines <- c(paste(c("", rep(colnames(belts), each = 3)), collapse = ","), paste(c("Month", rep(1969:1971, 3)), collapse = ","), apply(table, 1, function(r) paste(trimws(r), collapse = ",")))
writeLines(lines, file.path(out, "Seatbelts.csv"))
expected <- data.frame(entity = rep(month.name, 9), measure = rep(colnames(belts), each = 36), period = rep(rep(1969:1971, each = 12), 3), value = formatC(as.vector(belts), digits = 17, format = "g"))
cat(sprintf("# %s, data set Seatbelts\n", R.version.string), file = file.path(out, "Seatbelts.expected.csv"))
suppressWarnings(write.table(expected, file.path(out, "Seatbelts.expected.csv"), sep = ",", row.names = FALSE, col.names = FALSE, quote = FALSE, append = TRUE))
