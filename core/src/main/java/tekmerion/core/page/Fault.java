package tekmerion.core.page;

/**
 * Why bytes could not be decoded.
 *
 * @param kind what sort of damage
 * @param what one sentence for a person
 * @param offset first byte concerned, counted from 0
 * @param expected what the standard wants there
 * @param found what was there
 */
public record Fault(Kind kind, String what, int offset, String expected, String found) {

  /** The damages that are told apart, because each points somewhere else. */
  public enum Kind {
    /** Fewer or more bytes than the page has. */
    WRONG_SIZE,
    /** Every byte 00h: often an adapter that answers without asking the drive. */
    ALL_ZERO,
    /** Every byte FFh: often nothing driving the bus. */
    ALL_ONES,
    /** The page's own checksum does not hold. */
    BAD_CHECKSUM,
    /** A field that must be text holds bytes that are none. */
    NOT_TEXT,
    /** Well formed, but of another kind of device. */
    WRONG_KIND
  }
}
