/**
 * Showing that what was mended is mended: trials after a decision, counted, and the owner's
 * signature to take a machine without them. Way in: {@link tekmerion.server.proof.Proofs}.
 */
package tekmerion.server.proof;
