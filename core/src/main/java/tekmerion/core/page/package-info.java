/**
 * Raw bytes as a device gave them, and what came of decoding them. Way in: {@link
 * tekmerion.core.page.RawPage} and {@link tekmerion.core.page.Decoding}. Knows no device and no
 * standard.
 */
package tekmerion.core.page;
