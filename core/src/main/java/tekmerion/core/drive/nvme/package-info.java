/**
 * Pages of NVMe drives, after the NVM Express Base Specification 2.0 (1.4 where the same). Way in:
 * the {@code decode} methods. All numbers are little-endian.
 */
package tekmerion.core.drive.nvme;
