/**
 * What an owner was told a plan costs, and what they said to it. Way in: {@link
 * tekmerion.server.estimate.Estimates}.
 */
package tekmerion.server.estimate;
