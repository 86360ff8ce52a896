/**
 * Gathers what permissions depend on, and asks core. Way in: {@link
 * tekmerion.server.permit.JobPermissions}. What owners signed about their data is kept by {@link
 * tekmerion.server.permit.Waivers}.
 */
package tekmerion.server.permit;
