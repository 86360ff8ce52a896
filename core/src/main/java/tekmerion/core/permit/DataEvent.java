package tekmerion.core.permit;

import java.util.Set;

/** Something that happened to the data on one drive in one job, as our own runs showed it. */
public sealed interface DataEvent {
  /**
   * The drive was surveyed.
   *
   * @param sha name for what was found, as the probe tells it of its own writing too
   */
  record Surveyed(DriveContent content, String sha) implements DataEvent {}

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
      implements DataEvent {
    /** An image of which no more is known than that it was begun. */
    public static final Imaged BEGUN = new Imaged(false, false, "", 0, 0, null);
  }

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

  /**
   * Sectors were put back from their copies, or that was taken back.
   *
   * @param shaAfter what the probe found on the drive right after it; empty if it does not tell
   */
  record Mended(String shaAfter) implements DataEvent {}

  /**
   * The drive was erased, or is being erased.
   *
   * @param whole whether all of it is zero, as it was read back
   */
  record Erased(boolean whole) implements DataEvent {}

  /** The machine's own system wrote to it: a repair, a reset, an installation by hand. */
  record WrittenByHand() implements DataEvent {}

  /** It was taken out and destroyed: what is not in a copy is nowhere. */
  record Scrapped() implements DataEvent {}

  /**
   * A copy was not where it had been made: its disk was taken away, broke, or was emptied by hand.
   * If it comes back, an image counts again once it was read again, files once they were copied
   * again.
   *
   * @param volume whose files are missing; null if it is the image
   */
  record CopyMissing(Integer volume) implements DataEvent {}

  /**
   * The drive was surveyed or written to in another job: what is on it is the same, in whatever job
   * somebody looked. Copies count in the job that they were made in.
   */
  record Elsewhere(DataEvent of) implements DataEvent {
    public Elsewhere {
      if (!concernsTheDrive(of)) {
        throw new IllegalArgumentException(of + " concerns copies of another job");
      }
    }

    /** Whether it tells of the drive itself, and not of a copy of it. */
    public static boolean concernsTheDrive(DataEvent event) {
      return event instanceof Surveyed || event instanceof Mended || event instanceof Erased;
    }
  }

  /** The copies were erased. */
  record CopyErased() implements DataEvent {}
}
