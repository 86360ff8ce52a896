package tekmerion.link;

import java.util.Arrays;
import java.util.List;
import tekmerion.core.words.Sentences;

/**
 * What is on a drive, and why it cannot be opened.
 *
 * @param scheme of its table, in lower case with hyphens: none, gpt, mbr, hybrid …
 * @param reason likewise: healthy, blank, encrypted …
 * @param why the reason in a sentence
 * @param next the safe next move
 * @param failedReads looks that failed
 * @param volumes partitions in the table's order, or the whole drive
 * @param damage of the table
 */
public record SurveyResult(
    long sizeBytes,
    String scheme,
    String reason,
    String why,
    String next,
    int failedReads,
    List<VolumeNote> volumes,
    List<DamageNote> damage)
    implements RunResult {
  /** Longest path of a folder that travels. */
  public static final int MAX_PATH = 1_000;

  public static final int MAX_VOLUMES = 128;
  public static final int MAX_FOLDERS = 200;
  public static final int MAX_TROUBLES = 20;

  /**
   * A name for what is on the drive: SHA-256 of the volumes and folders that the survey found, in
   * hex. Another survey that finds the same has the same; what is damaged, how it was read, and in
   * which words it is told, is left out.
   */
  public String contentSha() {
    return Sha256.hex(
        LinkCodec.encode(
            volumes.stream()
                .map(
                    v ->
                        Arrays.asList(
                            v.number(),
                            v.startByte(),
                            v.bytes(),
                            v.content(),
                            v.uuid(),
                            v.usedBytes(),
                            v.listed(),
                            v.files(),
                            v.filesBytes(),
                            v.folders().stream()
                                .map(f -> List.of(f.path(), f.files(), f.bytes()))
                                .toList()))
                .toList()));
  }

  /**
   * @param number in the table; 0 for the whole drive
   * @param content in words
   * @param usedBytes as its superblock has it; null if it does not tell
   * @param listed whether its files could be listed
   * @param files how many; 0 if not listed
   * @param filesBytes of all of them
   * @param folders the largest ones, down to the second level
   * @param troubles what could not be read of its folders
   */
  public record VolumeNote(
      int number,
      String name,
      long startByte,
      long bytes,
      String content,
      boolean encrypted,
      String label,
      String uuid,
      Long usedBytes,
      List<DamageNote> damage,
      boolean listed,
      long files,
      long filesBytes,
      List<FolderNote> folders,
      List<String> troubles) {
    public VolumeNote {
      name = RunResult.checked(name);
      content = RunResult.checked(content);
      label = label == null ? null : RunResult.checked(label);
      uuid = uuid == null ? null : RunResult.checked(uuid);
      damage = List.copyOf(damage);
      folders = List.copyOf(folders);
      troubles = List.copyOf(troubles);
      RunResult.check(
          number >= 0
              && startByte >= 0
              && bytes >= 0
              && (usedBytes == null || usedBytes >= 0)
              && (uuid == null || uuid.length() <= RunResult.MAX_CHARS)
              && folders.size() <= MAX_FOLDERS
              && troubles.size() <= MAX_TROUBLES
              && damage.size() <= MAX_TROUBLES
              && files >= 0
              && filesBytes >= 0
              && troubles.stream().allMatch(t -> t.length() <= MAX_PATH + 200),
          "volume");
    }
  }

  /**
   * @param path empty for the files that lie in the root
   * @param proposed whether most of it is of sorts that people make
   */
  public record FolderNote(String path, long files, long bytes, boolean proposed) {
    public FolderNote {
      RunResult.check(
          path != null && path.length() <= MAX_PATH && files >= 0 && bytes >= 0, "folder");
    }
  }

  /**
   * @param backupOffset where an intact copy of it lies; null if there is none
   */
  public record DamageNote(String what, long offset, int length, Long backupOffset) {
    public DamageNote {
      what = RunResult.checked(what);
      RunResult.check(
          offset >= 0 && length >= 0 && (backupOffset == null || backupOffset >= 0), "damage");
    }
  }

  public SurveyResult {
    scheme = RunResult.checked(scheme);
    reason = RunResult.checked(reason);
    why = RunResult.checked(why);
    next = RunResult.checked(next);
    volumes = List.copyOf(volumes);
    damage = List.copyOf(damage);
    RunResult.check(
        sizeBytes > 0
            && failedReads >= 0
            && volumes.size() <= MAX_VOLUMES
            && volumes.stream().map(VolumeNote::number).distinct().count() == volumes.size()
            && damage.size() <= MAX_TROUBLES,
        "survey");
  }

  @Override
  public String outcome() {
    return Sentences.lowerFirst(why);
  }
}
