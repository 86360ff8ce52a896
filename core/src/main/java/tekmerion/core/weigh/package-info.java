/**
 * Weighing: all signs on all causes. Way in: {@link tekmerion.core.weigh.Weighing#of}. Knows
 * know-how and signs; knows no device, no screen, and never opens a gate.
 */
package tekmerion.core.weigh;
