package tekmerion.core.drive;

import java.util.List;
import java.util.Map;
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

  /** The first of a list within what programs are given. */
  @SuppressWarnings("unchecked")
  public static Map<String, Object> first(Map<String, Object> json, String list) {
    return ((List<Map<String, Object>>) json.get(list)).get(0);
  }
}
