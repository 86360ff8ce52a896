/**
 * What the owner of a machine reads: plain sentences chosen by cause, course and data status from a
 * language file. Way in: {@link tekmerion.core.report.OwnerReport}.
 */
package tekmerion.core.report;
