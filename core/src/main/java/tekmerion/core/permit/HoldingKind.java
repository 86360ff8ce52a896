package tekmerion.core.permit;

/** What a holding is. */
public enum HoldingKind {
  /** Nobody surveyed it: anything may be on it. */
  NOT_SURVEYED,
  /** Nothing could be made out on it. */
  WHOLE_DRIVE,
  /** A volume whose files cannot be listed, or not all of them. */
  VOLUME,
  FOLDER,
  /** Files of a volume that the survey's list has no room for. */
  FILES_NOT_LISTED,
  /** What an image could not read. */
  LOST_IN_COPY
}
