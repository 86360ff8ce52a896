package tekmerion.link;

import java.util.Set;
import java.util.regex.Pattern;

/**
 * What lies in a probe's folder of copies of one drive of one job.
 *
 * @param job number of the job
 * @param image whether the image and its map are there, and the image is as long as it must be
 * @param volumes whose copied files are there
 * @param byContent whether files are there that were found by their content
 */
public record HeldCopy(
    String job, String partKey, boolean image, Set<Integer> volumes, boolean byContent) {
  private static final Pattern NAME = Pattern.compile("[A-Za-z0-9][A-Za-z0-9._:-]{0,60}");
  private static final int MAX_VOLUMES = 1_000;

  public HeldCopy {
    if (job == null
        || partKey == null
        || !NAME.matcher(job).matches()
        || !NAME.matcher(partKey).matches()) {
      throw new IllegalArgumentException("a copy of no job or no drive");
    }
    volumes = volumes == null ? Set.of() : Set.copyOf(volumes);
    if (volumes.size() > MAX_VOLUMES) {
      throw new IllegalArgumentException("too many volumes");
    }
  }
}
