/**
 * Which part exactly has to be bought, from what the old one says about itself. Knows nothing of
 * stock or prices.
 */
package tekmerion.core.replace;
