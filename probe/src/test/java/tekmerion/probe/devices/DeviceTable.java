package tekmerion.probe.devices;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;

/** What was expected and what was found, by device and action. */
final class DeviceTable {
  private final Map<String, Map<String, Cell>> rows = new LinkedHashMap<>();

  private record Cell(String expected, String found) {
    boolean holds() {
      return expected.equals(found);
    }
  }

  void row(String device, String action, Object expected, Object found) {
    rows.computeIfAbsent(device, d -> new TreeMap<>())
        .put(action, new Cell(expected.toString(), String.valueOf(found)));
  }

  /** The cells of these actions, all of them. */
  void mustHold(String... actions) {
    String wrong =
        rows.entrySet().stream()
            .flatMap(
                device ->
                    device.getValue().entrySet().stream()
                        .filter(
                            cell ->
                                List.of(actions).contains(cell.getKey())
                                    && !cell.getValue().holds())
                        .map(
                            cell ->
                                "%s, %s: expected %s, found %s"
                                    .formatted(
                                        device.getKey(),
                                        cell.getKey(),
                                        cell.getValue().expected(),
                                        cell.getValue().found())))
            .collect(Collectors.joining("\n"));
    assertThat(wrong).isEmpty();
  }

  /** A table of Markdown; what does not hold has both. */
  String text() {
    List<String> actions =
        rows.values().stream().flatMap(r -> r.keySet().stream()).distinct().sorted().toList();
    StringBuilder text = new StringBuilder("| device |");
    actions.forEach(a -> text.append(' ').append(a).append(" |"));
    text.append("\n|").append("---|".repeat(actions.size() + 1)).append('\n');
    rows.forEach(
        (device, cells) -> {
          text.append("| ").append(device).append(" |");
          for (String action : actions) {
            Cell cell = cells.get(action);
            text.append(' ')
                .append(cell == null ? "" : cell.holds() ? "as expected" : "WRONG")
                .append(" |");
          }
          text.append('\n');
        });
    return text.toString();
  }
}
