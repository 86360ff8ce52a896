/**
 * Simulated machines behind the same ports as real ones. Way in: {@link tekmerion.sim.SimMachines}.
 * Physical models that emit raw pages; they know the standards, never the decoders or the weighing.
 */
package tekmerion.sim;
