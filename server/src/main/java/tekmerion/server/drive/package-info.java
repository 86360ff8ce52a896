/**
 * One drive as a technician looks at it: its numbers over visits, where they lead, against others,
 * its runs, its bytes. Way in: {@link tekmerion.server.drive.DriveController}. Everything is worked
 * out from stored pages by core; nothing is kept here but the newest numbers for comparison.
 */
package tekmerion.server.drive;
