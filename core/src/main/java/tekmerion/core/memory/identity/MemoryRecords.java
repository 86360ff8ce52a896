package tekmerion.core.memory.identity;

import static tekmerion.core.page.OrNull.orNull;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tekmerion.core.page.DecodedPage;
import tekmerion.core.page.Decoding;
import tekmerion.core.page.FieldSpan;
import tekmerion.core.page.RawPage;

/**
 * What the system has on record of memory errors: the counters that it keeps for each module, and
 * lines of its kernel log. The page is text: counters as {@code mc0/dimm1/dimm_ce_count=3}, one a
 * line, as the files lie below the memory controllers' folder; every other line is of the log.
 *
 * @param modules those with counters, in order of the page
 * @param lines of the log that tell of memory errors
 * @see "Linux kernel, Documentation/admin-guide/RAS/main.rst: dimm_label, dimm_ce_count,
 *     dimm_ue_count; the log's wording is that of drivers/edac/edac_mc.c"
 */
public record MemoryRecords(List<Counters> modules, List<Line> lines, List<FieldSpan> spans)
    implements DecodedPage {
  private static final Pattern COUNTER =
      Pattern.compile("(mc\\d+/(?:dimm|rank)\\d+)/(dimm_\\w+)=(.*)");
  private static final Pattern LOGGED = Pattern.compile("EDAC \\w+: (\\d+) (CE|UE) .*? on (\\S+)");

  /**
   * Of one module.
   *
   * @param place in the system's counting
   * @param label as the board's maker or the owner set it; empty if nobody did
   * @param corrected empty if it is not counted
   * @param uncorrected empty if it is not counted
   */
  public record Counters(
      String place, Optional<String> label, OptionalLong corrected, OptionalLong uncorrected) {
    /** By which people know it. */
    public String name() {
      return label.orElse(place);
    }
  }

  /** A line of the log. */
  public record Line(int offset, int length, long count, boolean corrected, String label) {}

  public MemoryRecords {
    modules = List.copyOf(modules);
    lines = List.copyOf(lines);
    spans = List.copyOf(spans);
  }

  /** Whether a line of the kernel log belongs here. */
  public static boolean concerns(String line) {
    return LOGGED.matcher(line).find();
  }

  /** Any text is a record; an empty one says that nothing is kept. */
  public static Decoding<MemoryRecords> decode(RawPage raw) {
    byte[] bytes = raw.bytes();
    Map<String, Map<String, String>> found = new LinkedHashMap<>();
    List<Line> lines = new ArrayList<>();
    List<FieldSpan> spans = new ArrayList<>();
    int offset = 0;
    for (int i = 0; i <= bytes.length; i++) {
      if (i < bytes.length && bytes[i] != '\n') {
        continue;
      }
      int length = i - offset;
      String line = new String(bytes, offset, length, StandardCharsets.UTF_8);
      Matcher counter = COUNTER.matcher(line);
      Matcher logged = LOGGED.matcher(line);
      if (counter.matches()) {
        found
            .computeIfAbsent(counter.group(1), p -> new LinkedHashMap<>())
            .put(counter.group(2), counter.group(3).strip());
        spans.add(
            new FieldSpan(
                counter.group(1) + " " + counter.group(2), offset, length, counter.group(3), ""));
      } else if (logged.find() && logged.group(1).length() <= 9) {
        Line of =
            new Line(
                offset,
                length,
                Long.parseLong(logged.group(1)),
                logged.group(2).equals("CE"),
                logged.group(3));
        lines.add(of);
        spans.add(new FieldSpan("logged " + logged.group(2), offset, length, of.count(), ""));
      }
      offset = i + 1;
    }
    List<Counters> modules =
        found.entrySet().stream().map(e -> counters(e.getKey(), e.getValue())).toList();
    return new Decoding.Decoded<>(raw, new MemoryRecords(modules, lines, spans));
  }

  private static Counters counters(String place, Map<String, String> of) {
    return new Counters(
        place,
        Optional.ofNullable(of.get("dimm_label")).filter(l -> !l.isEmpty()),
        count(of.get("dimm_ce_count")),
        count(of.get("dimm_ue_count")));
  }

  private static OptionalLong count(String text) {
    return text != null && text.matches("\\d{1,18}")
        ? OptionalLong.of(Long.parseLong(text))
        : OptionalLong.empty();
  }

  /** Of all modules, by the counters, or by the log where nothing counts; empty if neither. */
  public OptionalLong errors(boolean corrected) {
    if (!modules.isEmpty()) {
      return OptionalLong.of(
          modules.stream()
              .mapToLong(m -> (corrected ? m.corrected() : m.uncorrected()).orElse(0))
              .sum());
    }
    return lines.isEmpty()
        ? OptionalLong.empty()
        : OptionalLong.of(
            lines.stream().filter(l -> l.corrected() == corrected).mapToLong(Line::count).sum());
  }

  /** The module with the most errors; empty if there are none. */
  public Optional<String> worst() {
    Map<String, Long> by = new LinkedHashMap<>();
    modules.forEach(
        m -> by.merge(m.name(), m.corrected().orElse(0) + m.uncorrected().orElse(0), Long::sum));
    if (modules.isEmpty()) {
      lines.forEach(l -> by.merge(l.label(), l.count(), Long::sum));
    }
    return by.entrySet().stream()
        .filter(e -> e.getValue() > 0)
        .max(Map.Entry.comparingByValue())
        .map(Map.Entry::getKey);
  }

  @Override
  public Map<String, Object> json() {
    Map<String, Object> json = new LinkedHashMap<>();
    json.put("page", "memory error records");
    json.put("corrected", orNull(errors(true)));
    json.put("uncorrected", orNull(errors(false)));
    json.put("worst", worst().orElse(null));
    json.put(
        "modules",
        modules.stream()
            .map(
                m -> {
                  Map<String, Object> one = new LinkedHashMap<>();
                  one.put("place", m.place());
                  one.put("label", m.label().orElse(null));
                  one.put("corrected", orNull(m.corrected()));
                  one.put("uncorrected", orNull(m.uncorrected()));
                  return one;
                })
            .toList());
    json.put("logged", lines.size());
    return json;
  }
}
