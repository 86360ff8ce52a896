/**
 * Machines that break: what is wrong with one is a set of ailments of its parts, programs and
 * settings, and what an observer sees follows from what is in play and from measured quantities.
 * Way in: {@link tekmerion.sim.shop.ShopMachines}. Knows nothing of know-how and weighing, whose
 * judge it is.
 */
package tekmerion.sim.shop;
