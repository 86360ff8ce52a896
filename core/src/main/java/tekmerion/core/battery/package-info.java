/**
 * Batteries: what a discharge run tells of a pack. Way in: {@link
 * tekmerion.core.battery.Discharge}. Knows nothing of where the samples come from.
 */
package tekmerion.core.battery;
