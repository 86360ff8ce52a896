package tekmerion.core.drive.ata;

import java.util.Optional;
import tekmerion.core.page.Fault;
import tekmerion.core.page.RawPage;

/** What all 512-byte pages of an ATA drive have in common. */
final class AtaPage {
  static final int PAGE_BYTES = 512;

  private AtaPage() {}

  /** The first damage that can be told without knowing the page: size, all 00h, all FFh. */
  static Optional<Fault> damage(RawPage raw, String pageName) {
    if (raw.size() != PAGE_BYTES) {
      return Optional.of(
          new Fault(
              Fault.Kind.WRONG_SIZE,
              "%s has the wrong size".formatted(pageName),
              Math.min(raw.size(), PAGE_BYTES),
              "%d bytes".formatted(PAGE_BYTES),
              "%d bytes".formatted(raw.size())));
    }
    if (raw.isFilledWith(0x00)) {
      return Optional.of(
          new Fault(
              Fault.Kind.ALL_ZERO,
              "%s holds only zero bytes".formatted(pageName),
              0,
              "data from the drive",
              "512 bytes of 00h"));
    }
    if (raw.isFilledWith(0xFF)) {
      return Optional.of(
          new Fault(
              Fault.Kind.ALL_ONES,
              "%s holds only FFh bytes".formatted(pageName),
              0,
              "data from the drive",
              "512 bytes of FFh"));
    }
    return Optional.empty();
  }

  /** The data structure checksum: the two's complement of the sum of the first 511 bytes. */
  static Optional<Fault> checksumDamage(RawPage raw, String pageName) {
    int sum = raw.sumModulo256();
    if (sum == 0) {
      return Optional.empty();
    }
    int found = raw.u8(PAGE_BYTES - 1);
    return Optional.of(
        new Fault(
            Fault.Kind.BAD_CHECKSUM,
            "%s fails its own checksum".formatted(pageName),
            PAGE_BYTES - 1,
            "%02Xh".formatted(found - sum & 0xFF),
            "%02Xh".formatted(found)));
  }
}
