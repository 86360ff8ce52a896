/**
 * Batteries: what a pack reports ({@link tekmerion.core.battery.SupplyBattery}, {@link
 * tekmerion.core.battery.SmartBattery}), what a discharge run tells of it ({@link
 * tekmerion.core.battery.Discharge}), and how it fades ({@link tekmerion.core.battery.Fade}). Knows
 * nothing of where bytes and samples come from.
 */
package tekmerion.core.battery;
