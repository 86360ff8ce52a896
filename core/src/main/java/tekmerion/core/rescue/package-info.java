/**
 * Copies what can still be read of a source that errs: easy parts first, trouble later, sector by
 * sector in the end. Way in: {@link tekmerion.core.rescue.RescueImage}. The source is only read.
 */
package tekmerion.core.rescue;
