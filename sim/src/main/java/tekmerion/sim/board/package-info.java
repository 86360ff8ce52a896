/** Boards with their memory slots, batteries in their machines, and machines at work. */
package tekmerion.sim.board;
