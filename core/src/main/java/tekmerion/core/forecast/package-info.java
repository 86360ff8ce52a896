/**
 * When a job is likely to end. Way in: {@link tekmerion.core.forecast.LikelyEnd}. Knows stages and
 * opening hours, not jobs.
 */
package tekmerion.core.forecast;
