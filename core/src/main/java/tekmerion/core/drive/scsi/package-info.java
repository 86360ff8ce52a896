/**
 * Log pages of SCSI drives that concern health, after SPC-5 and SBC-4. Way in: {@link
 * tekmerion.core.drive.scsi.ScsiLog#decode}. All numbers are big-endian.
 */
package tekmerion.core.drive.scsi;
