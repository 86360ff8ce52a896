package tekmerion.core.finding;

/**
 * One finding.
 *
 * @param id of the finding in the know-how, e.g. {@code drive.pending-sectors}
 * @param part key of the part it was found on, e.g. {@code drive-a}; {@link #MACHINE} for the whole
 * @param level which of the finding's levels holds, by its id in the know-how
 * @param words the finding for a person, with its number and unit
 * @param basis what it rests on
 */
public record Finding(String id, String part, String level, String words, Basis basis) {
  public static final String MACHINE = "machine";

  public Finding withWords(String other) {
    return new Finding(id, part, level, other, basis);
  }

  /**
   * Where a finding comes from, so that a reader can go back to the bytes.
   *
   * @param kind "reading", "run", "intake" or "move"
   * @param page wire name of the page, empty if it does not rest on one
   * @param offset first byte in the page
   * @param length how many bytes; 0 if it does not rest on bytes
   */
  public record Basis(String kind, String page, int offset, int length) {
    public static Basis reading(String page, int offset, int length) {
      return new Basis("reading", page, offset, length);
    }

    public static Basis run() {
      return new Basis("run", "", 0, 0);
    }

    /** Seen by a technician who made a move by hand. */
    public static Basis move() {
      return new Basis("move", "", 0, 0);
    }

    public boolean wasByHand() {
      return kind.equals("move");
    }

    public static Basis intake() {
      return new Basis("intake", "", 0, 0);
    }
  }
}
