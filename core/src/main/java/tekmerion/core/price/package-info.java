/**
 * Money: what a plan costs its owner. The only place where minutes become money. Way in: {@link
 * tekmerion.core.price.Estimate}.
 */
package tekmerion.core.price;
