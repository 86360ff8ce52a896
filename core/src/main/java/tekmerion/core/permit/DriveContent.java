package tekmerion.core.permit;

import java.util.List;

/**
 * What a survey found on a drive: what there is to lose. Two surveys that find the same are equal.
 *
 * @param volumes what lies on it; empty if nothing could be made out
 */
public record DriveContent(List<Volume> volumes) {
  /**
   * @param number in the table; 0 for the whole drive
   * @param kind file system, or what else it is, in words
   * @param uuid null if it has none
   * @param usedBytes null if it does not tell
   * @param scratch whether it is swap space, which holds nothing that anybody keeps
   * @param listed whether its files could be listed
   * @param troubled whether something of its folders could not be read
   * @param files how many; 0 if not listed
   * @param folders at most two levels deep; the path of what lies in the root is empty
   */
  public record Volume(
      int number,
      long startByte,
      long bytes,
      String kind,
      String uuid,
      Long usedBytes,
      boolean scratch,
      boolean listed,
      boolean troubled,
      long files,
      long filesBytes,
      List<Folder> folders) {
    public Volume {
      folders = List.copyOf(folders);
    }

    /** Whether all of its files are known; a volume without files is none that is understood. */
    boolean isKnown() {
      return listed && !troubled && files > 0;
    }
  }

  /** A folder with all that is below it. */
  public record Folder(String path, long files, long bytes) {
    boolean isAtTop() {
      return path.indexOf('/') < 0;
    }

    /** Whether it lies in {@code other}; the root's own files lie in no folder. */
    boolean isBelow(Folder other) {
      return !other.path.isEmpty() && path.startsWith(other.path + "/");
    }
  }

  public DriveContent {
    volumes = List.copyOf(volumes);
  }

  /** Whether every file on it is known. */
  boolean isKnown() {
    return !volumes.isEmpty() && volumes.stream().allMatch(v -> v.scratch() || v.isKnown());
  }
}
