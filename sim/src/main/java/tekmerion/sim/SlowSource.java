package tekmerion.sim;

import java.time.Duration;
import java.util.List;
import tekmerion.core.port.PageAnswer;
import tekmerion.core.port.PageKind;
import tekmerion.core.port.PageSource;

/** A drive takes its time to answer. */
record SlowSource(PageSource behind, Duration perPage) implements PageSource {
  @Override
  public PageAnswer read(PageKind kind) {
    try {
      Thread.sleep(perPage.toMillis());
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      return new PageAnswer.CouldNotRun("stopped while waiting for the drive");
    }
    return behind.read(kind);
  }

  @Override
  public List<PageKind> kinds() {
    return behind.kinds();
  }
}
