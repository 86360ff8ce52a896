/**
 * Gates: plain rules that lock what could cost the owner's data. Way in: {@link
 * tekmerion.core.gate.Gate}. Knows nothing of probabilities: no weighing ever opens a gate.
 */
package tekmerion.core.gate;
