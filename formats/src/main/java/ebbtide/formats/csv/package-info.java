/**
 * The forecast as CSV: {@link ebbtide.formats.csv.ForecastCsv} writes it long, a figure a row, or wide, as it is read.
 */
@NullMarked
package ebbtide.formats.csv;

import org.jspecify.annotations.NullMarked;
