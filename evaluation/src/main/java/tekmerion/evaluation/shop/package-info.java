/**
 * A simulated shop that follows advice on machines whose truth is known, and how well that went.
 * Ways in: {@link tekmerion.evaluation.shop.ShopCommand} and {@link
 * tekmerion.evaluation.shop.World2Command}; one {@code Visit} goes through either world by {@code
 * Patient}. Of the first world ({@code tekmerion.sim.shop}) the outcomes of moves are said here, in
 * {@code Bench} and the classes named {@code Work}; of the second they follow from the parts, in
 * {@code tekmerion.sim.parts}. The weighing's own tables are asked by neither.
 */
package tekmerion.evaluation.shop;
