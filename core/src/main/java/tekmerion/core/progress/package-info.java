/**
 * How far the work of a signed plan has come. Way in: {@link tekmerion.core.progress.PlanProgress}.
 */
package tekmerion.core.progress;
