/**
 * Simulated packs: open-circuit voltage, resistance, warmth, and a gauge that errs. Way in: {@link
 * tekmerion.sim.battery.SimPack}. Knows nothing of how a run is judged.
 */
package tekmerion.sim.battery;
