package tekmerion.link;

import static tekmerion.words.Words.say;

import java.util.List;

/**
 * Files that were found by their content in an image, and copied.
 *
 * @param lookedAtBytes of the image
 * @param ofBytes that were read of the drive
 * @param sorts by how many there are
 * @param examples the first of each sort, at most {@value #MAX_EXAMPLES}
 * @param failed how many have a part that was not read, could not be written, or were not the same
 *     when read again
 * @param folder where they lie below the probe's folder of copies
 */
public record CarveResult(
    long lookedAtBytes,
    long ofBytes,
    List<CarvedSort> sorts,
    List<CarvedExample> examples,
    long failed,
    String folder)
    implements RunResult {
  public static final int MAX_EXAMPLES = 40;

  /** A preview is a picture of this many characters at most, in base64. */
  public static final int MAX_PREVIEW = 16_000;

  /** Files of one sort that are there, the same when read again. */
  public record CarvedSort(String extension, long files, long bytes) {
    public CarvedSort {
      extension = RunResult.checked(extension);
      RunResult.check(files >= 0 && bytes >= 0, "sort");
    }
  }

  /**
   * @param name by its place; what it was called nothing tells
   * @param checked what of its structure was checked, in words
   * @param preview JPEG in base64; null if it is no picture, or could not be decoded
   */
  public record CarvedExample(
      String name, String extension, long bytes, String checked, String preview) {
    public CarvedExample {
      name = RunResult.checked(name);
      extension = RunResult.checked(extension);
      checked = RunResult.checked(checked);
      RunResult.check(
          preview == null || preview.length() <= MAX_PREVIEW && preview.matches("[A-Za-z0-9+/=]*"),
          "preview");
    }
  }

  public CarveResult {
    sorts = List.copyOf(sorts);
    examples = List.copyOf(examples);
    folder = RunResult.checked(folder);
    RunResult.check(
        sorts.size() <= 20
            && examples.size() <= MAX_EXAMPLES
            && lookedAtBytes >= 0
            && lookedAtBytes <= ofBytes
            && failed >= 0,
        "carve");
  }

  public long files() {
    return sorts.stream().mapToLong(CarvedSort::files).sum();
  }

  @Override
  public String outcome() {
    return say("link.files-found-by-their-content", "files", files());
  }

  @Override
  public boolean madeCopies() {
    return files() > 0;
  }
}
