/** The work of a signed plan, step by step. Way in: {@link tekmerion.server.step.PlanSteps}. */
package tekmerion.server.step;
