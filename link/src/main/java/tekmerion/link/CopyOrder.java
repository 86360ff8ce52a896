package tekmerion.link;

import java.util.List;
import java.util.regex.Pattern;

/**
 * What a copy is of. Nothing of it is used as a path on the machine that copies, but for {@code
 * job}, which is only letters, digits and a hyphen.
 *
 * @param job whose folder it goes into
 * @param volume number of the partition whose files are wanted; null for an image
 * @param folders of that volume, as a survey named them; empty for an image
 */
public record CopyOrder(String job, Integer volume, List<String> folders) {
  private static final Pattern JOB = Pattern.compile("[A-Z]{1,4}-\\d{1,9}");
  static final int MAX_FOLDERS = 300;

  public CopyOrder {
    folders = folders == null ? List.of() : List.copyOf(folders);
    RunResult.check(job != null && JOB.matcher(job).matches(), "job");
    RunResult.check(folders.size() <= MAX_FOLDERS, "folders");
    folders.forEach(f -> RunResult.check(f.length() <= SurveyResult.MAX_PATH, "folder"));
  }
}
