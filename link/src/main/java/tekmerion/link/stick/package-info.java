/**
 * What a stick keeps where there is no network: captures, each sealed to the shop's key, one after
 * the other in a file of fixed size on the stick.
 */
package tekmerion.link.stick;
