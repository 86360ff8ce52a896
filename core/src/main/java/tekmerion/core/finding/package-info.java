/**
 * Findings: single findings that speak for or against causes, each with the place it rests on. Way
 * in: {@link tekmerion.core.finding.Finding}. Knows nothing of how a finding weighs.
 */
package tekmerion.core.finding;
