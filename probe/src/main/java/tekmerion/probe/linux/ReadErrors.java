package tekmerion.probe.linux;

/**
 * What the system's error numbers say of a read. The kernel makes them from what the drive answered
 * (block/blk-core.c, blk_errors): a medium error comes as ENODATA, a failed check of the data as
 * EILSEQ, a time-out as ETIMEDOUT; whatever it cannot tell more of as EIO.
 */
enum ReadErrors {
  /** The drive says that it cannot give these sectors. */
  MEDIUM,
  /** Something failed on the way to the sectors or there: the next reads tell. */
  UNCLEAR,
  TIMED_OUT,
  GONE,
  /** The question was wrong, or the system could not put it. */
  OURS;

  static final int EINTR = 4;
  static final int EIO = 5;
  static final int ENXIO = 6;
  static final int ENODEV = 19;
  static final int EINVAL = 22;
  static final int ENODATA = 61;
  static final int ENOLINK = 67;
  static final int EILSEQ = 84;
  static final int ESHUTDOWN = 108;
  static final int ETIMEDOUT = 110;
  static final int EREMOTEIO = 121;
  static final int ENOMEDIUM = 123;

  static ReadErrors of(int errno) {
    return switch (errno) {
      case ENODATA, EILSEQ -> MEDIUM;
      case EIO, EREMOTEIO, ENOLINK -> UNCLEAR;
      case ETIMEDOUT -> TIMED_OUT;
      case ENXIO, ENODEV, ESHUTDOWN, ENOMEDIUM -> GONE;
      default -> OURS;
    };
  }
}
