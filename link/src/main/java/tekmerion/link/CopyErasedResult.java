package tekmerion.link;

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
    RunResult.check(files >= 0 && bytes >= 0 && left >= 0 && left <= files, "copy erased");
  }

  @Override
  public String outcome() {
    return left == 0
        ? "%,d files written over and deleted".formatted(files)
        : "%,d of %,d files could not be deleted".formatted(left, files);
  }
}
