/**
 * The forecast: {@link ebbtide.forecast.Forecaster} is the pipeline, {@link ebbtide.forecast.Forecast} its result by
 * line and day, {@link ebbtide.forecast.ForecastTable} adds it up by period, {@link ebbtide.forecast.Workings} opens a
 * figure into its parts and causes (rules 12).
 */
package ebbtide.forecast;
