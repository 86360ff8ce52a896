/** Decisions: the courses a job can take. Way in: {@link tekmerion.core.decision.Course}. */
package tekmerion.core.decision;
