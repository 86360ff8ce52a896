package tekmerion.link;

import static tekmerion.words.Words.say;

/**
 * Copies of a drive that were written over and deleted.
 *
 * @param folder below the probe's folder of copies
 * @param files that were there, the image among them
 * @param bytes that were written over
 * @param left files that could not be deleted
 */
public record CopyErasedResult(String folder, long files, long bytes, long left)
    implements RunResult {
  public CopyErasedResult {
    folder = RunResult.checked(folder);
    RunResult.check(
        files >= 0 && bytes >= 0 && left >= 0 && left <= files, say("link.copy-erased"));
  }

  @Override
  public String outcome() {
    return left == 0
        ? say("link.files-written-over-and-deleted", "files", files)
        : say("link.of-files-could-not-be-deleted", "left", left, "files", files);
  }
}
