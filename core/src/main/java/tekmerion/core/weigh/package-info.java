/**
 * Weighing: all findings on all causes. Way in: {@link tekmerion.core.weigh.Weighing#of}. Knows
 * know-how and findings; knows no device, no screen, and never opens a gate.
 */
package tekmerion.core.weigh;
