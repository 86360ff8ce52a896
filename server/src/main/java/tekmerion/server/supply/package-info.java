/**
 * Parts that the steps of a signed plan need: ordered, taken from stock, and what became of the old
 * ones.
 */
package tekmerion.server.supply;
