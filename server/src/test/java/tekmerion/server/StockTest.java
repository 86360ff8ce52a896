package tekmerion.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tekmerion.launch.ShopClient;
import tools.jackson.databind.JsonNode;

/** Stock: what came and went, never fewer than none. */
@ExtendWith(RunningServer.class)
class StockTest {
  @Test
  void countsWhatComesAndGoes(RunningServer.Shop shop) throws Exception {
    ShopClient ines = shop.signedIn();
    Map<String, Object> drive = new HashMap<>();
    drive.put("kind", "drive");
    drive.put("model", "QUAY-960F");
    drive.put("bus", "SATA");
    drive.put("form", "2.5 inch");
    drive.put("bytes", 960_197_124_096L);
    drive.put("place", "drawer 3");
    drive.put("pieces", 2);
    assertThat(ines.post("/api/stock/items", drive).status()).isEqualTo(201);
    assertThat(shop.signedIn("joao").post("/api/stock/items", drive).status()).isEqualTo(403);
    JsonNode item = item(ines, "QUAY-960F");
    assertThat(item.get("pieces").intValue()).isEqualTo(2);
    String moves = "/api/stock/items/%d/moves".formatted(item.get("id").longValue());

    assertThat(ines.post(moves, Map.of("pieces", -1, "note", "into J-2291")).status())
        .isEqualTo(204);
    assertThat(ines.post(moves, Map.of("pieces", -2, "note", "")).status()).isEqualTo(409);
    assertThat(item(ines, "QUAY-960F").get("pieces").intValue()).isEqualTo(1);
    drive.put("kind", "sandwich");
    assertThat(ines.post("/api/stock/items", drive).status()).isEqualTo(400);
  }

  private static JsonNode item(ShopClient shop, String model) {
    return shop.get("/api/stock")
        .body()
        .get("items")
        .valueStream()
        .filter(item -> item.get("model").stringValue().equals(model))
        .findFirst()
        .orElseThrow();
  }

  /** Nobody ever replaced one: Wilson's interval for 0 of n still has a width. */
  @Test
  void tellsModelsWithTheirShareReplaced(RunningServer.Shop shop) {
    JsonNode stock = shop.signedIn().get("/api/stock?text=HELM").body();

    stock
        .get("models")
        .forEach(
            m -> {
              assertThat(m.get("model").stringValue()).contains("HELM");
              double share = m.get("replaced").doubleValue() / m.get("met").doubleValue();
              assertThat(share).isBetween(m.get("low").doubleValue(), m.get("high").doubleValue());
              assertThat(m.get("high").doubleValue()).isPositive();
              JsonNode lives =
                  shop.signedIn()
                      .get("/api/stock/model?model=" + m.get("model").stringValue())
                      .body()
                      .get("lives");
              assertThat(lives.size()).isEqualTo(m.get("met").intValue());
              long replaced =
                  lives.findValues("replaced").stream().filter(JsonNode::booleanValue).count();
              assertThat(replaced).isEqualTo(m.get("replaced").longValue());
            });
  }
}
