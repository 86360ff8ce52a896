/**
 * Pages of ATA drives, decoded from their bytes. Ways in: {@link
 * tekmerion.core.drive.ata.IdentifyDevice#decode}, {@link
 * tekmerion.core.drive.ata.SmartData#decode}, {@link
 * tekmerion.core.drive.ata.SmartThresholds#decode}. Knows nothing of how bytes are fetched, of
 * findings or of weighing.
 *
 * <p>Standards: ATA/ATAPI Command Set 3 (ACS-3, T13/2161-D); the attribute table inside SMART READ
 * DATA, which ACS-3 leaves to the vendor, from SFF-8035i revision 2.0 and ATA-3 (X3T10/2008D).
 */
package tekmerion.core.drive.ata;
