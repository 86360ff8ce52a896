/**
 * Drives: from the answers to a reading to findings. Way in: {@link
 * tekmerion.core.drive.PartReading}. Knows the standards' packages below, nothing of weighing.
 */
package tekmerion.core.drive;
