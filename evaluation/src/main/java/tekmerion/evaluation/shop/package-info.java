/**
 * A simulated shop that follows advice on machines whose ailments are known, and how well that
 * went. Owners and technicians err by a model of their own. Way in: {@link
 * tekmerion.evaluation.shop.ShopCommand}. What outcomes follow from what is wrong is said here and
 * in {@code tekmerion.sim.shop} a second time, from parts and physics; the weighing's own tables
 * are not asked.
 */
package tekmerion.evaluation.shop;
