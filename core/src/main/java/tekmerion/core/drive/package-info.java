/**
 * Drives: from the answers to a reading to signs. Way in: {@link
 * tekmerion.core.drive.DriveReading}. Knows the standards' packages below, nothing of weighing.
 */
package tekmerion.core.drive;
