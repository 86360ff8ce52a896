package tekmerion.core.drive;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tekmerion.core.page.DecodedPage;
import tekmerion.core.page.Decoding;
import tekmerion.core.page.FieldSpan;
import tekmerion.core.page.RawPage;

/**
 * Lines of the system's kernel log that concern one drive, one a line in UTF-8: read errors with
 * their sector, and resets of its link. The wording is that of the Linux block layer and libata;
 * lines of neither kind are kept and not counted.
 */
public record KernelLog(List<Line> lines) implements DecodedPage {
  private static final Pattern READ_ERROR =
      Pattern.compile(
          "(?:I/O error|critical (?:medium|target|space allocation) error), dev (\\S+), sector (\\d+)");
  private static final Pattern RESET =
      Pattern.compile("hard resetting link|soft resetting link|SATA link down|I/O \\d+ .*timeout");

  /** What a line says. */
  public enum Kind {
    READ_ERROR,
    LINK_RESET,
    OTHER
  }

  /**
   * @param sector 512-byte units, as the kernel counts; -1 if it names none
   */
  public record Line(int offset, int length, Kind kind, long sector, String text) {}

  public KernelLog {
    lines = List.copyOf(lines);
  }

  /** Any bytes are a log; an empty one says that nothing was logged. */
  public static Decoding<KernelLog> decode(RawPage raw) {
    byte[] bytes = raw.bytes();
    List<Line> lines = new ArrayList<>();
    int from = 0;
    for (int i = 0; i <= bytes.length; i++) {
      if (i == bytes.length || bytes[i] == '\n') {
        if (i > from) {
          lines.add(line(bytes, from, i - from));
        }
        from = i + 1;
      }
    }
    return new Decoding.Decoded<>(raw, new KernelLog(lines));
  }

  private static Line line(byte[] bytes, int offset, int length) {
    String text = new String(bytes, offset, length, StandardCharsets.UTF_8);
    if (!text.contains("error") && !text.contains("link") && !text.contains("timeout")) {
      return new Line(offset, length, Kind.OTHER, -1, text);
    }
    Matcher error = READ_ERROR.matcher(text);
    if (error.find() && error.group(2).length() <= 18) {
      return new Line(offset, length, Kind.READ_ERROR, Long.parseLong(error.group(2)), text);
    }
    Kind kind = RESET.matcher(text).find() ? Kind.LINK_RESET : Kind.OTHER;
    return new Line(offset, length, kind, -1, text);
  }

  /** Whether a line concerns a drive at all. */
  public static boolean concerns(String text) {
    return READ_ERROR.matcher(text).find() || RESET.matcher(text).find();
  }

  public long count(Kind kind) {
    return lines.stream().filter(l -> l.kind() == kind).count();
  }

  @Override
  public Map<String, Object> json() {
    Map<String, Object> json = new LinkedHashMap<>();
    json.put("page", "kernel log");
    json.put("readErrors", count(Kind.READ_ERROR));
    json.put("linkResets", count(Kind.LINK_RESET));
    json.put("lines", lines.stream().map(Line::text).toList());
    return json;
  }

  @Override
  public List<FieldSpan> spans() {
    return lines.stream()
        .map(l -> new FieldSpan(l.kind().name(), l.offset(), l.length(), l.text(), ""))
        .toList();
  }
}
