/**
 * The forecast: {@link ebbtide.forecast.Forecaster} is the pipeline, {@link ebbtide.forecast.Forecast} its result by
 * line and day, {@link ebbtide.forecast.ForecastTable} adds it up by period.
 */
@NullMarked
package ebbtide.forecast;

import org.jspecify.annotations.NullMarked;
