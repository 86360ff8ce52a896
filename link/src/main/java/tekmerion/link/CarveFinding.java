package tekmerion.link;

import java.util.List;

/**
 * Files that were found by their content in an image, and copied.
 *
 * @param lookedAtBytes of the image
 * @param ofBytes that were read of the drive
 * @param sorts by how many there are
 * @param examples the first of each sort, at most {@value #MOST_EXAMPLES}
 * @param failed how many have a part that was not read, could not be written, or were not the same
 *     when read again
 * @param folder where they lie below the probe's folder of copies
 */
public record CarveFinding(
    long lookedAtBytes,
    long ofBytes,
    List<CarvedSort> sorts,
    List<CarvedExample> examples,
    long failed,
    String folder)
    implements PartFinding {
  public static final int MOST_EXAMPLES = 40;

  /** A preview is a picture of this many characters at most, in base64. */
  public static final int MOST_PREVIEW = 16_000;

  /** Files of one sort that are there, the same when read again. */
  public record CarvedSort(String extension, long files, long bytes) {
    public CarvedSort {
      extension = PartFinding.checked(extension);
      PartFinding.check(files >= 0 && bytes >= 0, "sort");
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
      name = PartFinding.checked(name);
      extension = PartFinding.checked(extension);
      checked = PartFinding.checked(checked);
      PartFinding.check(
          preview == null || preview.length() <= MOST_PREVIEW && preview.matches("[A-Za-z0-9+/=]*"),
          "preview");
    }
  }

  public CarveFinding {
    sorts = List.copyOf(sorts);
    examples = List.copyOf(examples);
    folder = PartFinding.checked(folder);
    PartFinding.check(
        sorts.size() <= 20
            && examples.size() <= MOST_EXAMPLES
            && lookedAtBytes >= 0
            && lookedAtBytes <= ofBytes
            && failed >= 0,
        "carve");
  }

  public long files() {
    return sorts.stream().mapToLong(CarvedSort::files).sum();
  }
}
