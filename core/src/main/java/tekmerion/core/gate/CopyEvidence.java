package tekmerion.core.gate;

import java.util.List;

/**
 * What the runs on one drive show of its copies. Nothing that anybody says counts here.
 *
 * @param imaged whether an image came to its end
 * @param imageVerified whether that image was read again and holds what was read
 * @param filesCopied whether a copy of files came to its end
 * @param filesVerified whether every folder that was proposed is in it and every file is the same
 *     when read again
 */
public record CopyEvidence(
    boolean imaged, boolean imageVerified, boolean filesCopied, boolean filesVerified) {
  public static final CopyEvidence NONE = new CopyEvidence(false, false, false, false);

  public boolean isCopied() {
    return imaged || filesCopied;
  }

  public boolean isVerified() {
    return imaged && imageVerified || filesCopied && filesVerified;
  }

  /**
   * The stance that follows. One drive of several that has no copy keeps all of them from counting:
   * the stance is that of the job.
   *
   * @param now stance as it stands
   * @param drives of the machine; what they show
   */
  public static Stance stance(Stance now, List<CopyEvidence> drives) {
    if (now == Stance.NOT_WANTED || drives.isEmpty()) {
      return now;
    }
    if (drives.stream().allMatch(CopyEvidence::isVerified)) {
      return Stance.COPY_VERIFIED;
    }
    if (drives.stream().allMatch(CopyEvidence::isCopied)) {
      return Stance.COPIED;
    }
    // What was thought to be copied is not: it is wanted, or nobody asked.
    return now == Stance.COPIED || now == Stance.COPY_VERIFIED ? Stance.WANTED : now;
  }
}
