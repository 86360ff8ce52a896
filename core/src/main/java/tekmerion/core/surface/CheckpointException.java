package tekmerion.core.surface;

import java.io.IOException;

/** The kept state of a pass is damaged, or of another drive or plan. */
public final class CheckpointException extends IOException {
  private static final long serialVersionUID = 1L;

  CheckpointException(String message) {
    super(message);
  }
}
