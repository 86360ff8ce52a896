package tekmerion.e2e;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.StreamSupport;
import tekmerion.launch.ShopClient;
import tools.jackson.databind.JsonNode;

/** Writes the best plan of each open job of the demo as a table. */
final class PlansTable {
  private static final String HEAD =
      """
      # What would be decided in the demo

      Made by `./tekmerion pictures`: the first row of the plans of each open job, as the demo stands when its \
      morning's tests are done. Complaint gone and wanted data lost in 100, hands-on minutes, what the owner pays. \
      "Test on" says that a test comes first; "stop" that none is worth its minutes.

      | job | complaint | now | best plan | gone | lost | minutes | owner pays | what opens it |
      |---|---|---|---|---|---|---|---|---|
      """;

  private PlansTable() {}

  static void write(ShopClient shop, Path file) throws IOException {
    List<String> rows =
        StreamSupport.stream(shop.get("/api/floor").body().get("jobs").spliterator(), false)
            .map(job -> job.get("number").stringValue())
            .sorted()
            .map(number -> row(shop, number))
            .toList();
    Files.writeString(file, HEAD + String.join("\n", rows) + "\n");
  }

  private static String row(ShopClient shop, String number) {
    JsonNode job = shop.get("/api/jobs/" + number).body();
    JsonNode plans = shop.get("/api/jobs/" + number + "/plans").body();
    JsonNode best = plans.at("/rows/0");
    List<String> cells = new ArrayList<>();
    cells.add(number + " " + job.get("machine").stringValue());
    cells.add(job.get("complaint").stringValue());
    cells.add(plans.get("enough").booleanValue() ? "stop" : "test on");
    String onlyIf = best.get("onlyIf").stringValue();
    cells.add(
        best.get("words").stringValue()
            + (onlyIf.isEmpty() ? "" : " (only if that does not end it: " + onlyIf + ")"));
    cells.add(
        "%.0f (%.0f–%.0f)"
            .formatted(hundred(best, "gone"), hundred(best, "goneLow"), hundred(best, "goneHigh")));
    cells.add(String.format(Locale.ROOT, "%.1f", hundred(best, "dataLost")));
    cells.add("%.0f".formatted(best.get("handsOnMinutes").doubleValue()));
    cells.add(
        "%s %s, at most %s"
            .formatted(
                plans.get("currency").stringValue(),
                best.get("certain").asString(),
                best.get("atMost").asString()));
    JsonNode lock = best.get("lock");
    cells.add(lock.isNull() ? "open" : lock.get("opens").stringValue());
    return "| " + String.join(" | ", cells) + " |";
  }

  private static double hundred(JsonNode row, String share) {
    return 100 * row.get(share).doubleValue();
  }
}
