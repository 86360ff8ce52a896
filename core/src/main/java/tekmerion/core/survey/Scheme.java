package tekmerion.core.survey;

/** How a source is divided. */
public enum Scheme {
  /** Not at all: a volume from its first byte on, or nothing that is known. */
  NONE,
  MBR,
  GPT,
  /** A GPT with further entries in its protective MBR. */
  HYBRID,
  /** The partition map of older Apple computers. */
  APM
}
