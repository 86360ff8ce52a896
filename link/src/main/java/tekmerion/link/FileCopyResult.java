package tekmerion.link;

import static tekmerion.words.Words.say;

import java.util.List;

/**
 * A copy of files.
 *
 * @param fromImage whether they came out of the image, not out of the drive
 * @param folders that were chosen
 * @param files chosen ones, however far the copy is
 * @param bytes of all of them
 * @param verifiedFiles whole, and the same when read again
 * @param verifiedBytes of those
 * @param failed files that are not whole, at most {@value #MAX_FAILED}
 * @param failedInAll how many of these there are
 * @param current path of the one that is copied now; empty at the end
 * @param folder where they lie below the probe's folder of copies
 */
public record FileCopyResult(
    boolean fromImage,
    List<String> folders,
    long files,
    long bytes,
    long verifiedFiles,
    long verifiedBytes,
    List<FailedFile> failed,
    long failedInAll,
    String current,
    String folder)
    implements RunResult {
  public static final int MAX_FAILED = 300;

  /**
   * @param partly whether what could be read of it is there
   */
  public record FailedFile(String path, long bytes, boolean partly, String why) {
    public FailedFile {
      why = RunResult.checked(why);
      RunResult.check(path != null && path.length() <= SurveyResult.MAX_PATH && bytes >= 0, "path");
    }
  }

  public FileCopyResult {
    folders = List.copyOf(folders);
    failed = List.copyOf(failed);
    folder = RunResult.checked(folder);
    RunResult.check(
        failed.size() <= MAX_FAILED
            && current != null
            && current.length() <= SurveyResult.MAX_PATH
            && files >= 0
            && bytes >= 0
            && verifiedBytes >= 0
            && verifiedFiles >= 0
            && verifiedFiles <= files
            && failedInAll >= failed.size()
            && failedInAll <= files - verifiedFiles
            && folders.size() <= CopyOrder.MAX_FOLDERS
            && folders.stream().allMatch(f -> f.length() <= SurveyResult.MAX_PATH),
        "files");
  }

  @Override
  public String outcome() {
    return failedInAll == 0
        ? say("link.files-copied-and-verified", "verifiedFiles", verifiedFiles)
        : say("link.of-files-copied-and-verified", "verifiedFiles", verifiedFiles, "files", files);
  }

  @Override
  public boolean madeCopies() {
    return files > 0;
  }
}
