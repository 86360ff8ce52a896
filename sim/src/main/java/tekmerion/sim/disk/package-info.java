/**
 * What is on simulated disks: volumes laid out after their standards, with made-up files. Way in:
 * {@link tekmerion.sim.disk.DiskContent}.
 */
package tekmerion.sim.disk;
