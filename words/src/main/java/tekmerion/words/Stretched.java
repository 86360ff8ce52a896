package tekmerion.words;

/** A made-up language that is longer than any of ours: what has no brackets has no key. */
final class Stretched {
  private static final String PLAIN = "aeiouAEIOU";
  private static final String ACCENTED = "àéîöûÀÉÎÖÛ";
  private static final double LONGER = 0.4;

  private Stretched() {}

  static String of(String text) {
    StringBuilder made = new StringBuilder("[");
    boolean blank = false; // what is to be filled in later stays as it is
    for (char c : text.toCharArray()) {
      blank = c == '{' || blank && c != '}';
      int at = blank ? -1 : PLAIN.indexOf(c);
      made.append(at < 0 ? c : ACCENTED.charAt(at));
    }
    return made.append("~".repeat((int) Math.round(LONGER * text.length()))).append(']').toString();
  }
}
