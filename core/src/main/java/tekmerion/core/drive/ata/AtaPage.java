package tekmerion.core.drive.ata;

import static tekmerion.words.Words.say;

import java.util.Optional;
import tekmerion.core.page.Fault;
import tekmerion.core.page.Hex;
import tekmerion.core.page.PageDamage;
import tekmerion.core.page.RawPage;

/** What all 512-byte pages of an ATA drive have in common. */
final class AtaPage {
  static final int PAGE_BYTES = 512;

  private AtaPage() {}

  /** The first damage that can be told without knowing the page: size, all 00h, all FFh. */
  static Optional<Fault> damage(RawPage raw, String pageName) {
    return PageDamage.of(raw, pageName, PAGE_BYTES);
  }

  /** The data structure checksum: the two's complement of the sum of the first 511 bytes. */
  static Optional<Fault> checksumDamage(RawPage raw, String pageName) {
    for (int page = 0; page + PAGE_BYTES <= raw.size(); page += PAGE_BYTES) {
      int sum = raw.sumModulo256(page, PAGE_BYTES);
      if (sum != 0) {
        int at = page + PAGE_BYTES - 1;
        int found = raw.u8(at);
        return Optional.of(
            new Fault(
                Fault.Kind.BAD_CHECKSUM,
                say("page.fails-its-own-checksum", "page", pageName),
                at,
                Hex.code(found - sum & 0xFF, 2),
                Hex.code(found, 2)));
      }
    }
    return Optional.empty();
  }

  /** Logs of several pages: size, all 00h, all FFh, then the checksum of each page. */
  static Optional<Fault> logDamage(RawPage raw, String pageName) {
    return PageDamage.ofBlocks(raw, pageName, PAGE_BYTES).or(() -> checksumDamage(raw, pageName));
  }

  static Optional<Fault> versionDamage(RawPage raw, String pageName, int offset, int wanted) {
    return raw.u8(offset) == wanted
        ? Optional.empty()
        : Optional.of(
            new Fault(
                Fault.Kind.WRONG_KIND,
                say("page.has-another-version", "page", pageName),
                offset,
                Hex.code(wanted, 2),
                Hex.code(raw.u8(offset), 2)));
  }
}
