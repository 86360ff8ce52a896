package tekmerion.core.permit;

import java.util.Set;

/** Something that happened to the data on one drive in one job, as our own runs showed it. */
public sealed interface DataEvent {
  /** The drive was surveyed. */
  record Surveyed(DriveContent content) implements DataEvent {}

  /**
   * An image was begun, gone on with or ended.
   *
   * @param complete whether it came to its end with nothing left to try
   * @param inUseOnly whether what is not in use was left out
   * @param sums name for all that was read
   * @param readBytes that are in it
   * @param lostBytes of what was wanted that could not be read
   * @param lostFiles how many files lost something; null if files cannot be told
   */
  record Imaged(
      boolean complete,
      boolean inUseOnly,
      String sums,
      long readBytes,
      long lostBytes,
      Long lostFiles)
      implements DataEvent {}

  /**
   * The image was read again.
   *
   * @param sums name for all that had been read
   * @param agrees whether it is the same
   */
  record ImageChecked(String sums, boolean agrees) implements DataEvent {}

  /**
   * Files were copied and each was read again.
   *
   * @param complete whether it came to its end
   * @param folders of that volume, with what is below them; empty path for what lies in the root
   * @param files in them
   * @param verifiedFiles whole, and the same when read again
   */
  record FilesCopied(
      boolean complete, int volume, Set<String> folders, long files, long verifiedFiles)
      implements DataEvent {
    public FilesCopied {
      folders = Set.copyOf(folders);
    }

    boolean isWhole() {
      return complete && files > 0 && verifiedFiles == files;
    }
  }

  /** We wrote to the drive, or may have: sectors put back, a repair by hand, an erasing. */
  record Written() implements DataEvent {}

  /** The copies were erased. */
  record CopyErased() implements DataEvent {}
}
