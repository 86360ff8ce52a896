package tekmerion.core.port;

import java.util.List;

/** A device that can be asked for pages about itself. Reads only; looks only. */
public interface PageSource {
  /** Never throws for what a device does: every trouble is a {@link PageAnswer}. */
  PageAnswer read(PageKind kind);

  /** What makes sense to ask this device, in order; a page in it may still be not reported. */
  default List<PageKind> kinds() {
    return PageKind.of(PageKind.Family.ATA);
  }
}
