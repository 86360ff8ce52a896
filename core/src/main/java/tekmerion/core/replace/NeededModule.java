package tekmerion.core.replace;

import static tekmerion.words.Words.say;

import java.util.Locale;
import java.util.Optional;
import java.util.OptionalLong;
import tekmerion.core.memory.identity.Smbios.MemorySlot;

/**
 * The memory module that takes an old one's place: of the same sort and form, not smaller. How fast
 * it runs the machine settles by itself: all go as fast as the slowest.
 *
 * @param sort as the firmware's table has it, "DDR4"
 * @param form likewise, "SODIMM"
 * @param leastBytes of the old one
 * @param oldWords all that the old one reports, in words
 */
public record NeededModule(
    Optional<String> sort, Optional<String> form, OptionalLong leastBytes, String oldWords)
    implements NeededPart {

  public static NeededModule of(MemorySlot old) {
    return new NeededModule(old.kind(), old.form(), old.sizeBytes(), old.words());
  }

  @Override
  public String words() {
    return say("replace.a-memory-module", "oldWords", oldWords);
  }

  @Override
  public Optional<String> misfit(InStock part) {
    if (!part.kind().equals("module") || part.bus() == null || part.bytes() == null) {
      return Optional.of(say("replace.nobody-said-what-it-is"));
    }
    if (sort.isEmpty() || form.isEmpty() || leastBytes.isEmpty()) {
      return Optional.of(say("replace.the-old-one-does-not-report-3"));
    }
    if (!plain(sort.get()).equals(plain(part.bus()))) {
      return Optional.of(say("replace.it-is-is-needed-3", "bus", part.bus(), "sort", sort.get()));
    }
    if (part.form() == null || !plain(form.get()).equals(plain(part.form()))) {
      return Optional.of(
          say("replace.it-is-is-needed-4", "form", part.form(), "form2", form.get()));
    }
    return part.bytes() < leastBytes.getAsLong()
        ? Optional.of(say("replace.it-is-smaller-than-the-old"))
        : Optional.empty();
  }

  /** "SO-DIMM" and "SODIMM" are one. */
  private static String plain(String words) {
    return words.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]", "");
  }
}
