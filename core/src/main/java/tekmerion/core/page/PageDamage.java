package tekmerion.core.page;

import static tekmerion.words.Words.say;

import java.util.Optional;

/** The damages that can be told before anything is known of a page: size, all 00h, all FFh. */
public final class PageDamage {
  private PageDamage() {}

  /** If the page is not exactly {@code bytes} long, or holds one value throughout. */
  public static Optional<Fault> of(RawPage raw, String pageName, int bytes) {
    return raw.size() == bytes
        ? uniform(raw, pageName)
        : Optional.of(
            wrongSize(
                raw, pageName, Math.min(raw.size(), bytes), say("page.bytes", "count", bytes)));
  }

  /** If it is not one or more blocks of {@code bytes}, or holds one value throughout. */
  public static Optional<Fault> ofBlocks(RawPage raw, String pageName, int bytes) {
    int rest = raw.size() % bytes;
    return raw.size() > 0 && rest == 0
        ? uniform(raw, pageName)
        : Optional.of(
            wrongSize(
                raw,
                pageName,
                raw.size() - rest,
                say("page.a-whole-number-of-bytes", "bytes", bytes)));
  }

  /** If it is shorter than {@code bytes}, or holds one value throughout. */
  public static Optional<Fault> ofAtLeast(RawPage raw, String pageName, int bytes) {
    return raw.size() >= bytes
        ? uniform(raw, pageName)
        : Optional.of(
            wrongSize(raw, pageName, raw.size(), say("page.at-least-bytes", "bytes", bytes)));
  }

  private static Fault wrongSize(RawPage raw, String pageName, int offset, String expected) {
    return new Fault(
        Fault.Kind.WRONG_SIZE,
        say("page.has-the-wrong-size", "page", pageName),
        offset,
        expected,
        say("page.bytes", "count", raw.size()));
  }

  private static Optional<Fault> uniform(RawPage raw, String pageName) {
    if (raw.isFilledWith(0x00)) {
      return Optional.of(one(raw, pageName, Fault.Kind.ALL_ZERO, say("page.zero"), "00h"));
    }
    if (raw.isFilledWith(0xFF)) {
      return Optional.of(one(raw, pageName, Fault.Kind.ALL_ONES, "FFh", "FFh"));
    }
    return Optional.empty();
  }

  private static Fault one(
      RawPage raw, String pageName, Fault.Kind kind, String word, String value) {
    return new Fault(
        kind,
        say("page.holds-only", "page", pageName, "value", word),
        0,
        say("page.data"),
        say("page.bytes-of", "count", raw.size(), "value", value));
  }
}
