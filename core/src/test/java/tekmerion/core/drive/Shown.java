package tekmerion.core.drive;

import java.util.List;
import tekmerion.core.page.DecodedPage;

/** How a page is shown beside its bytes, a field a line. */
public final class Shown {
  private Shown() {}

  /** As "name @offset+length = value unit"; what is not reported is "null". */
  public static List<String> fields(DecodedPage page) {
    return page.spans().stream()
        .map(
            s ->
                "%s @%d+%d = %s %s"
                    .formatted(s.name(), s.offset(), s.length(), s.value(), s.unit())
                    .strip())
        .toList();
  }
}
