package tekmerion.core.replace;

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
    return "A memory module, " + oldWords;
  }

  @Override
  public Optional<String> misfit(InStock part) {
    if (!part.kind().equals("module") || part.bus() == null || part.bytes() == null) {
      return Optional.of("nobody said what it is");
    }
    if (sort.isEmpty() || form.isEmpty() || leastBytes.isEmpty()) {
      return Optional.of("the old one does not report what it is: look at its label");
    }
    if (!plain(sort.get()).equals(plain(part.bus()))) {
      return Optional.of("it is %s, %s is needed".formatted(part.bus(), sort.get()));
    }
    if (part.form() == null || !plain(form.get()).equals(plain(part.form()))) {
      return Optional.of("it is %s, %s is needed".formatted(part.form(), form.get()));
    }
    return part.bytes() < leastBytes.getAsLong()
        ? Optional.of("it is smaller than the old one")
        : Optional.empty();
  }

  /** "SO-DIMM" and "SODIMM" are one. */
  private static String plain(String words) {
    return words.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]", "");
  }
}
