package tekmerion.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tekmerion.launch.ShopClient;
import tools.jackson.databind.JsonNode;

/** Showing that it is mended, before it goes back. */
@ExtendWith(RunningServer.class)
class ProofTest {
  private static String taken(RunningServer.Shop shop, String customer) {
    return Talk.begin(shop.signedIn("joao")).of(customer, "Calder", "mini", "It is slow").takeIn();
  }

  private static JsonNode job(ShopClient shop, String number) {
    return shop.get("/api/jobs/" + number).body();
  }

  private static ShopClient.Answer act(
      ShopClient shop, String number, String what, Map<String, Object> body) {
    Map<String, Object> all = new HashMap<>(body);
    all.put("version", JobVersion.of(shop, "/api/jobs/" + number));
    return shop.post("/api/jobs/%s/%s".formatted(number, what), all);
  }

  private static ShopClient.Answer tried(ShopClient shop, String number, boolean failed) {
    return act(shop, number, "trials", Map.of("failed", failed, "note", ""));
  }

  @Test
  void nothingGoesBackAsMendedBeforeItIsShown(RunningServer.Shop shop) {
    ShopClient ines = shop.signedIn();
    String number = taken(shop, "Shown Haas");
    assertThat(job(ines, number).get("proof").isNull()).isTrue();
    assertThat(tried(ines, number, false).status()).isEqualTo(409);
    Map<String, Object> decision = Map.of("courses", List.of("REPAIR"), "reason", "cleaned");
    assertThat(act(ines, number, "decisions", decision).status()).isEqualTo(201);

    int needed = job(ines, number).at("/proof/needed").intValue();
    assertThat(needed).isGreaterThan(1);
    assertThat(act(ines, number, "ready", Map.of()).status()).isEqualTo(423);
    ShopClient.Answer early = act(ines, number, "end", Map.of("how", "HANDED_BACK", "note", ""));
    assertThat(early.status()).isEqualTo(423);
    assertThat(early.body().get("toDo").stringValue()).contains("without proof");

    assertThat(tried(ines, number, false).status()).isEqualTo(204);
    assertThat(tried(ines, number, true).status()).isEqualTo(204);
    assertThat(job(ines, number).at("/proof/proven").stringValue()).isEqualTo("FAILED");
    for (int i = 0; i < needed; i++) {
      assertThat(act(ines, number, "ready", Map.of()).status()).isEqualTo(423);
      tried(ines, number, false);
    }
    assertThat(job(ines, number).at("/proof/proven").stringValue()).isEqualTo("DONE");
    assertThat(act(ines, number, "ready", Map.of()).status()).isEqualTo(204);
    assertThat(act(ines, number, "end", Map.of("how", "HANDED_BACK", "note", "")).status())
        .isEqualTo(204);
  }

  @Test
  void theOwnerMayTakeItWithoutProofBySigning(RunningServer.Shop shop) throws Exception {
    ShopClient ines = shop.signedIn();
    String number = taken(shop, "Signing Brekke");
    Map<String, Object> decision = Map.of("courses", List.of("REPAIR"), "reason", "new cable");
    assertThat(act(ines, number, "decisions", decision).status()).isEqualTo(201);

    assertThat(act(ines, number, "proof-waiver", Map.of("signer", "  ")).status()).isEqualTo(400);
    assertThat(act(ines, number, "proof-waiver", Map.of("signer", "O. Brekke")).status())
        .isEqualTo(204);

    assertThat(job(ines, number).at("/proof/signedBy").stringValue()).isEqualTo("O. Brekke");
    assertThat(
            shop.count(
                "SELECT COUNT(*) FROM proof_waiver WHERE signer = 'O. Brekke'"
                    + " AND wording LIKE '%%not shown%%'"))
        .isEqualTo(1);
    assertThat(act(ines, number, "ready", Map.of()).status()).isEqualTo(204);
  }

  @Test
  void aDecisionThatMendsNothingNeedsNoProof(RunningServer.Shop shop) {
    ShopClient ines = shop.signedIn();
    String number = taken(shop, "Sound Lind");
    Map<String, Object> decision = Map.of("courses", List.of("NOTHING_FOUND"), "reason", "sound");
    assertThat(act(ines, number, "decisions", decision).status()).isEqualTo(201);

    assertThat(act(ines, number, "ready", Map.of()).status()).isEqualTo(204);
  }
}
