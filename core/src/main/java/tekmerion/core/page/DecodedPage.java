package tekmerion.core.page;

import java.util.List;
import java.util.Map;

/** A page as decoded, for those who show it whole. */
public interface DecodedPage {
  /** As {@code decode} prints it: docs/formats.md. */
  Map<String, Object> json();

  /** Every field with the bytes it came from, in order of offset. */
  List<FieldSpan> spans();
}
