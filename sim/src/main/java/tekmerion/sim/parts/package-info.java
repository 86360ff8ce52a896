/**
 * Machines from their parts upward: voltages, air, wear, bad sectors and the state of software.
 * What is seen of a machine follows from what it is made of; no rate says how often a cause shows a
 * sign. The numbers were set from what such parts do, not from the know-how's tables.
 */
package tekmerion.sim.parts;
