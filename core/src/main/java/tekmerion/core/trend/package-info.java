/**
 * What a drive's numbers do over time: splits, robust slopes, growth, change points, forecasts,
 * outlook and comparison with others. Way in: {@link tekmerion.core.trend.Trend#of}. Knows numbers
 * and times only, no pages and no database.
 */
package tekmerion.core.trend;
