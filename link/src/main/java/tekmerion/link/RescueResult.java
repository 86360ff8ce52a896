package tekmerion.link;

import static tekmerion.words.Words.say;

import java.util.List;

/**
 * A rescue image, or the check of its image.
 *
 * @param phase what it does now, in words
 * @param inUseOnly whether only what is in use is wanted
 * @param cells what is wanted of the source, in order of place, in equal parts, a symbol each:
 *     {@code ?} untried, {@code +} read, {@code /} failed at first, {@code -} lost, {@code .}
 *     nothing; the worst in a part is what stands
 * @param copyCells the image in the same parts: {@code ' '} nothing there, {@code +} written,
 *     {@code =} read again and the same, {@code !} not the same
 * @param wantedBytes all that is wanted
 * @param lostBytes that could not be read, each sector tried alone
 * @param openBytes that failed at first and are still to be tried alone
 * @param lostFiles files that lost something, the most at first; at most {@value #MAX_FILES}
 * @param lostFilesInAll how many there are; null if files cannot be told here
 * @param expectedShare of what is wanted that will be had; null while it cannot be told
 * @param sums a name for all that was read: SHA-256 over its sums; empty before something is kept
 * @param verified null unless the image was read again; else whether it is the same
 * @param folder where it lies below the probe's folder of copies
 */
public record RescueResult(
    String phase,
    boolean inUseOnly,
    String cells,
    String copyCells,
    long sizeBytes,
    long wantedBytes,
    long readBytes,
    long lostBytes,
    long openBytes,
    List<LostFile> lostFiles,
    Long lostFilesInAll,
    Double expectedShare,
    String sums,
    Boolean verified,
    String folder)
    implements RunResult {
  public static final int CELLS = 400;
  public static final int MAX_FILES = 200;

  public record LostFile(String path, long bytes, long lostBytes) {
    public LostFile {
      RunResult.check(
          path != null && path.length() <= SurveyResult.MAX_PATH && bytes >= 0 && lostBytes >= 0,
          "path");
    }
  }

  public RescueResult {
    phase = RunResult.checked(phase);
    sums = RunResult.checked(sums);
    folder = RunResult.checked(folder);
    lostFiles = List.copyOf(lostFiles);
    RunResult.check(
        cells != null
            && cells.length() <= CELLS
            && copyCells != null
            && copyCells.length() == cells.length()
            && lostFiles.size() <= MAX_FILES
            && sizeBytes > 0
            && wantedBytes >= 0
            && wantedBytes <= sizeBytes
            && readBytes >= 0
            && readBytes <= sizeBytes
            && lostBytes >= 0
            && lostBytes <= sizeBytes - readBytes
            && openBytes >= 0
            && openBytes <= sizeBytes - readBytes - lostBytes
            && (lostFilesInAll == null || lostFilesInAll >= lostFiles.size())
            && (expectedShare == null || expectedShare >= 0 && expectedShare <= 1),
        "rescue");
  }

  @Override
  public String outcome() {
    if (verified != null) {
      return verified ? say("link.the-same-as-what-was-read") : say("link.not-what-was-read");
    }
    long lost = lostBytes + openBytes;
    return lost == 0
        ? say("link.all-of-it-read")
        : say(
            "link.bytes-lost",
            "lost",
            lost,
            "lostFilesInAll",
            lostFilesInAll == null ? "" : say("link.in-files", "lostFilesInAll", lostFilesInAll));
  }

  @Override
  public boolean madeCopies() {
    return readBytes > 0;
  }
}
