package tekmerion.core.report;

import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import tekmerion.core.decision.Course;
import tekmerion.core.permit.DataStatus;
import tekmerion.core.permit.Proven;

/**
 * What a report rests on.
 *
 * @param subject the machine as its owner calls it
 * @param looseDrive whether it is a drive without a machine
 * @param complaint in the owner's words
 * @param cause id of what was found; empty if nothing stands out
 * @param sure whether that is settled rather than likely
 * @param courses that were decided, in order; empty if nothing was decided yet
 * @param changes what was changed, as it was called when it was done
 * @param replaced parts that went in, in words
 * @param dataStatus of the data that they brought
 * @param copyChecked whether a copy of it was read again and agrees, be it all of it or not
 * @param lost files that a copy did not get whole, the worst first; empty if there is no copy
 * @param lostInAll how many of these there are
 * @param proven how far it is shown that it is mended
 * @param cleanTrials of what failed, since it was mended
 */
public record OwnerFacts(
    String subject,
    boolean looseDrive,
    String number,
    Instant takenIn,
    Instant printed,
    ZoneId zone,
    String complaint,
    Optional<String> cause,
    boolean sure,
    List<Course> courses,
    List<String> changes,
    DataStatus dataStatus,
    boolean copyChecked,
    Optional<List<String>> lost,
    long lostInAll,
    List<String> replaced,
    Proven proven,
    int cleanTrials) {
  public OwnerFacts {
    courses = List.copyOf(courses);
    changes = List.copyOf(changes);
    replaced = List.copyOf(replaced);
  }
}
