/**
 * What is permitted, and why not. Way in: {@link tekmerion.core.permit.Permissions}, of a {@link
 * tekmerion.core.permit.Situation} for an {@link tekmerion.core.permit.Action}. Evidence of copies
 * and what owners signed away belong to the physical drive ({@link
 * tekmerion.core.permit.PartIdentity}); {@link tekmerion.core.permit.DataEvidence} says what a copy
 * holds. Knows nothing of probabilities: no weighing ever opens a lock.
 */
package tekmerion.core.permit;
