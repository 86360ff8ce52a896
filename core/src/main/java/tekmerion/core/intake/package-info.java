/**
 * Listening to the owner: finds complaint families and findings in what is typed. Way in: {@link
 * tekmerion.core.intake.Listener}. Knows nothing of screens or storage.
 */
package tekmerion.core.intake;
