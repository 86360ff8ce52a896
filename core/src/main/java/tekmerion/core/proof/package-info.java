/** Repeating what failed until its absence means something. Way in: {@link Proof#needed}. */
package tekmerion.core.proof;
