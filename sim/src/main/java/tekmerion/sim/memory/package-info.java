/**
 * Simulated memory with the fault models of the literature, cell by cell. Way in: {@link
 * tekmerion.sim.memory.SimMemory}. Knows no march test.
 */
package tekmerion.sim.memory;
