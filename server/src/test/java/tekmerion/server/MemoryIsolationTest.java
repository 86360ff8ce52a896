package tekmerion.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
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

  private static String path(String number) {
    return "/api/jobs/%s/isolations/MEMORY".formatted(number);
  }

  private static JsonNode memory(ShopClient shop, String number) {
    return shop.get("/api/jobs/%s/memory".formatted(number)).body();
  }

  private static JsonNode view(ShopClient shop, String number) {
    return memory(shop, number).get("isolation");
  }

  private static Map<String, Object> said(
      ShopClient shop, String number, List<String> modules, List<String> slots) {
    Stream<Map<String, String>> things =
        Stream.concat(
            modules.stream().map(m -> Map.of("kind", "module", "name", m)),
            slots.stream().map(s -> Map.of("kind", "slot", "name", s)));
    return Map.of(
        "version", view(shop, number).get("version").intValue(), "things", things.toList());
  }

  private static ShopClient.Answer setUp(
      ShopClient shop, String number, List<String> modules, List<String> slots) {
    return shop.put(path(number), said(shop, number, modules, slots));
  }

  private static ShopClient.Answer start(
      ShopClient shop, String number, List<Integer> placement, String outcome) {
    return shop.post(
        path(number) + "/starts",
        Map.of(
            "version",
            view(shop, number).get("version").intValue(),
            "arrangement",
            placement,
            "outcome",
            outcome,
            "note",
            ""));
  }

  private static String lineOnFloor(ShopClient shop, String number) {
    return shop.get("/api/floor")
        .body()
        .get("jobs")
        .valueStream()
        .filter(job -> number.equals(job.get("number").stringValue()))
        .findFirst()
        .orElseThrow()
        .get("line")
        .stringValue();
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
      view(ines, number).at("/options/0/arrangement").forEach(m -> placement.add(m.intValue()));
      String outcome = placement.contains(1) ? "FAIL" : "PASS"; // M2 is bad
      assertThat(start(ines, number, placement, outcome).status()).isEqualTo(204);
      assertThat(++starts).isLessThan(7);
    }

    JsonNode view = view(ines, number);
    assertThat(view.get("named").stringValue()).isEqualTo("M2");
    assertThat(memory(ines, number).get("meanwhile").stringValue()).startsWith("only M1 in");
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
    assertThat(lineOnFloor(ines, number)).isEqualTo("Go on with the isolation: start 2");

    JsonNode before = view(ines, number);
    ShopClient.Answer back =
        ines.post(
            "%s/starts/%d/take-back".formatted(path(number), before.at("/starts/0/id").longValue()),
            Map.of("version", before.get("version").intValue()));

    assertThat(back.status()).isEqualTo(204);
    assertThat(view(ines, number).get("starts")).isEmpty();
    assertThat(lineOnFloor(ines, number)).isEqualTo("Read its drive");
    assertThat(
            shop.signedIn("joao")
                .put(path(number), said(ines, number, List.of("M1"), List.of("slot 1")))
                .status())
        .isEqualTo(403);
  }
}
