package tekmerion.core.replace;

import static tekmerion.words.Words.say;

import java.util.Optional;
import java.util.OptionalLong;
import tekmerion.core.drive.PartReading;
import tekmerion.core.drive.ata.IdentifyDevice;
import tekmerion.core.drive.nvme.IdentifyController;
import tekmerion.core.drive.nvme.IdentifyNamespace;
import tekmerion.core.page.Decoding;
import tekmerion.core.port.PageKind;

/**
 * The drive that takes an old one's place: same interface and form, at least as large, so that the
 * whole of the old one can be written to it.
 *
 * @param bus "SATA" or "NVMe"
 * @param form as the standard words it; empty if the old one does not report it
 * @param leastBytes size of the old one; empty if it does not report it
 */
public record NeededDrive(String bus, Optional<String> form, OptionalLong leastBytes)
    implements NeededPart {
  private static final double GIGABYTE = 1e9;

  /**
   * @return empty if the drive does not say what it is: then its label has to be read
   */
  public static Optional<NeededDrive> of(PartReading old) {
    Optional<IdentifyDevice> ata = old.identify().flatMap(Decoding::decoded);
    if (ata.isPresent()) {
      return ata.map(id -> new NeededDrive("SATA", id.nominalFormFactor(), id.capacityBytes()));
    }
    if (old.sound(PageKind.NVME_IDENTIFY_CONTROLLER, IdentifyController.class).isEmpty()) {
      return Optional.empty();
    }
    OptionalLong bytes =
        old.sound(PageKind.NVME_IDENTIFY_NAMESPACE, IdentifyNamespace.class)
            .map(IdentifyNamespace::sizeBytes)
            .orElse(OptionalLong.empty());
    return Optional.of(new NeededDrive("NVMe", Optional.empty(), bytes));
  }

  @Override
  public Optional<String> misfit(InStock part) {
    return part.kind().equals("drive") && part.bus() != null && part.bytes() != null
        ? misfit(part.bus(), part.form(), part.bytes())
        : Optional.of(say("replace.nobody-said-what-it-is"));
  }

  /**
   * Whether a drive in stock can take its place.
   *
   * @param itsBus as the stock has it; likewise the form
   * @param itsBytes of the drive in stock
   * @return why not; empty if it fits
   */
  Optional<String> misfit(String itsBus, String itsForm, long itsBytes) {
    if (!bus.equalsIgnoreCase(itsBus)) {
      return Optional.of(say("replace.it-is-is-needed", "itsBus", itsBus, "bus", bus));
    }
    if (leastBytes.isEmpty()) {
      return Optional.of(say("replace.the-old-one-does-not-report-2"));
    }
    if (itsBytes < leastBytes.getAsLong()) {
      return Optional.of(say("replace.it-is-smaller-than-the-old"));
    }
    boolean otherForm =
        form.isPresent() && itsForm != null && !form.get().equalsIgnoreCase(itsForm);
    return otherForm
        ? Optional.of(say("replace.it-is-is-needed-2", "itsForm", itsForm, "form", form.get()))
        : Optional.empty();
  }

  /** "A SATA drive, 2.5 inch, 1,000 GB or more"; says so where the old one does not. */
  @Override
  public String words() {
    return say(
        "replace.drive",
        "bus",
        bus,
        "form",
        form.orElse(say("replace.form-as-on-the-old-ones")),
        "leastBytes",
        leastBytes.isPresent()
            ? say(
                "replace.d-gb-or-more", "gigabytes", Math.round(leastBytes.getAsLong() / GIGABYTE))
            : say("replace.size-as-on-the-old-ones"));
  }
}
