package tekmerion.server;

import java.util.Map;
import tekmerion.launch.ShopClient;
import tools.jackson.databind.JsonNode;

/** A conversation at the counter, for tests. */
final class Talk {
  private final ShopClient shop;
  private final String path;
  private JsonNode view;

  private Talk(ShopClient shop, JsonNode view) {
    this.shop = shop;
    this.view = view;
    this.path = "/api/intakes/" + view.get("id").stringValue();
  }

  static Talk begin(ShopClient shop) {
    return new Talk(shop, shop.post("/api/intakes", Map.of()).body());
  }

  /** The same draft, seen by somebody else. */
  Talk seenBy(ShopClient other) {
    return new Talk(other, other.get(path).body());
  }

  Talk say(Map<String, ?> changes) {
    ShopClient.Answer answer = patch(changes);
    if (answer.status() != 200) {
      throw new IllegalStateException("not kept: " + answer.body());
    }
    view = answer.body();
    return this;
  }

  ShopClient.Answer patch(Map<String, ?> changes) {
    return shop.patch(path, Map.of("version", version(), "changes", changes));
  }

  Talk of(String customer, String maker, String model, String complaint) {
    return say(
        Map.of("customerName", customer, "maker", maker, "model", model, "complaint", complaint));
  }

  ShopClient.Answer post(String what, Map<String, ?> body) {
    return shop.post(path + "/" + what, body);
  }

  ShopClient.Answer put(String what, Map<String, ?> body) {
    return shop.put(path + "/" + what, body);
  }

  /** Number of the job. */
  String takeIn() {
    ShopClient.Answer answer = tryToTakeIn();
    if (answer.status() != 200) {
      throw new IllegalStateException("not taken in: " + answer.body());
    }
    refresh();
    return answer.body().get("number").stringValue();
  }

  ShopClient.Answer tryToTakeIn() {
    refresh();
    return post("take-in", Map.of("version", version()));
  }

  Talk refresh() {
    view = shop.get(path).body();
    return this;
  }

  JsonNode view() {
    return view;
  }

  long version() {
    return view.get("version").longValue();
  }
}
