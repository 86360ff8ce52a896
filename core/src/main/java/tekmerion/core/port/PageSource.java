package tekmerion.core.port;

/** A device that can be asked for pages about itself. Reads only; touch 0. */
public interface PageSource {
  /** Never throws for what a device does: every trouble is a {@link PageAnswer}. */
  PageAnswer read(PageKind kind);
}
