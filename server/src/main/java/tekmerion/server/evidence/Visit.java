package tekmerion.server.evidence;

import java.util.UUID;
import tekmerion.core.drive.DriveVisit;

/**
 * One reading of a drive, decoded.
 *
 * @param job number of the job; null for a reading outside any
 */
public record Visit(UUID readingId, String job, DriveVisit said) {}
