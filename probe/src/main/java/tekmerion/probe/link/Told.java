package tekmerion.probe.link;

/** Hears what the link does. */
public interface Told {
  /**
   * @param words what it does or why it cannot
   */
  void said(String words);

  /**
   * @param digits to be compared in the shop while the machine knocks; empty when it does not
   */
  default void digits(String digits) {}

  /** It is on the link for the first time, or again. */
  default void linked() {}
}
