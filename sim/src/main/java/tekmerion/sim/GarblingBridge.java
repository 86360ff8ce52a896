package tekmerion.sim;

import java.util.List;
import java.util.Random;
import tekmerion.core.page.RawPage;
import tekmerion.core.port.PageAnswer;
import tekmerion.core.port.PageKind;
import tekmerion.core.port.PageSource;

/**
 * An adapter between drive and machine whose buffer drops bits in long transfers: identity comes
 * through, the self-report does not.
 */
final class GarblingBridge implements PageSource {
  private final PageSource behind;
  private final Random random;

  GarblingBridge(PageSource behind, long seed) {
    this.behind = behind;
    this.random = new Random(seed);
  }

  @Override
  public PageAnswer read(PageKind kind) {
    PageAnswer answer = behind.read(kind);
    if (kind != PageKind.ATA_SMART || !(answer instanceof PageAnswer.Got got)) {
      return answer;
    }
    byte[] bytes = got.raw().bytes();
    int burst = 64 + random.nextInt(32);
    for (int i = 0; i < burst; i++) {
      bytes[96 + i] ^= (byte) (1 << random.nextInt(8));
    }
    bytes[96] ^= 0x55; // an odd number of changed bits, so that no burst can cancel itself out
    return new PageAnswer.Got(new RawPage(bytes));
  }

  @Override
  public List<PageKind> kinds() {
    return behind.kinds();
  }
}
