package tekmerion.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tekmerion.launch.ShopClient;
import tools.jackson.databind.JsonNode;

/** Modules placed otherwise, start by start, until one is named. */
@ExtendWith(RunningServer.class)
class MemoryIsolationTest {
  private static String taken(RunningServer.Shop shop, String customer) {
    return Talk.begin(shop.signedIn("joao"))
        .of(customer, "Tarnwick", "desk tower", "It stops with a memory error")
        .takeIn();
  }

  private static JsonNode view(ShopClient shop, String number) {
    return shop.get("/api/jobs/%s/memory".formatted(number)).body();
  }

  private static ShopClient.Answer setUp(
      ShopClient shop, String number, List<String> modules, List<String> slots) {
    return shop.put(
        "/api/jobs/%s/memory".formatted(number),
        Map.of(
            "version", view(shop, number).get("version").intValue(),
            "modules", modules,
            "slots", slots));
  }

  private static ShopClient.Answer start(
      ShopClient shop, String number, List<Integer> placement, String outcome) {
    return shop.post(
        "/api/jobs/%s/memory/starts".formatted(number),
        Map.of(
            "version",
            view(shop, number).get("version").intValue(),
            "placement",
            placement,
            "outcome",
            outcome,
            "note",
            ""));
  }

  @Test
  void followingWhatTellsMostNamesABadModuleAndTheWeighingKnows(RunningServer.Shop shop) {
    ShopClient ines = shop.signedIn();
    String number = taken(shop, "Swap Haas");
    assertThat(start(ines, number, List.of(0, 1), "FAIL").status()).isEqualTo(409);
    assertThat(setUp(ines, number, List.of("M1", "M2"), List.of("slot 1", "slot 2")).status())
        .isEqualTo(204);
    assertThat(start(ines, number, List.of(0, 1), "FAIL").status()).isEqualTo(204); // as it came

    int starts = 1;
    while (view(ines, number).get("named").isNull()) {
      List<Integer> placement = new ArrayList<>();
      view(ines, number).at("/options/0/placement").forEach(m -> placement.add(m.intValue()));
      String outcome = placement.contains(1) ? "FAIL" : "PASS"; // M2 is bad
      assertThat(start(ines, number, placement, outcome).status()).isEqualTo(204);
      assertThat(++starts).isLessThan(7);
    }

    JsonNode view = view(ines, number);
    assertThat(view.get("named").stringValue()).isEqualTo("M2");
    assertThat(view.get("meanwhile").stringValue()).startsWith("only M1 in");
    assertThat(view.get("options")).isEmpty();
    JsonNode first = ines.get("/api/jobs/" + number).body().at("/weighing/causes/0");
    assertThat(first.get("cause").stringValue()).isEqualTo("memory-module");
  }

  @Test
  void aSlipIsTakenBackAndWhatCannotBePlacedIsRefused(RunningServer.Shop shop) {
    ShopClient ines = shop.signedIn();
    String number = taken(shop, "Slip Lind");
    assertThat(setUp(ines, number, List.of("M1", "M2"), List.of("slot 1")).status()).isEqualTo(400);
    assertThat(setUp(ines, number, List.of("M1"), List.of("slot 1", "slot 2")).status())
        .isEqualTo(204);
    assertThat(start(ines, number, List.of(0, 0), "FAIL").status()).isEqualTo(400);
    assertThat(start(ines, number, List.of(-1, -1), "FAIL").status()).isEqualTo(400);
    assertThat(start(ines, number, List.of(0, -1), "FAIL").status()).isEqualTo(204);

    JsonNode before = view(ines, number);
    ShopClient.Answer back =
        ines.post(
            "/api/jobs/%s/memory/starts/%d/take-back"
                .formatted(number, before.at("/starts/0/id").longValue()),
            Map.of("version", before.get("version").intValue()));

    assertThat(back.status()).isEqualTo(204);
    assertThat(view(ines, number).get("starts")).isEmpty();
    assertThat(
            shop.signedIn("joao")
                .put(
                    "/api/jobs/%s/memory".formatted(number),
                    Map.of(
                        "version", view(ines, number).get("version").intValue(),
                        "modules", List.of("M1"),
                        "slots", List.of("slot 1")))
                .status())
        .isEqualTo(403);
  }
}
