package tekmerion.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tekmerion.launch.ShopClient;
import tools.jackson.databind.JsonNode;

/** People, roles, PIN. */
@ExtendWith(RunningServer.class)
class PeopleTest {
  private static ShopClient.Answer accept(ShopClient client, String code, String name) {
    client.get("/api/session");
    ShopClient.Answer answer =
        client.post(
            "/api/invitations/accept",
            Map.of("code", code, "signInName", name, "password", "long enough 1"));
    client.get("/api/session");
    return answer;
  }

  private static String invite(RunningServer.Shop shop, String name, String role) {
    return shop.signedIn("mara")
        .post("/api/people/invitations", Map.of("displayName", name, "role", role))
        .body()
        .get("code")
        .stringValue();
  }

  private static long id(ShopClient client) {
    return client.get("/api/session").body().at("/person/id").longValue();
  }

  @Test
  void eachReadsTheirOwnLanguage(RunningServer.Shop shop) {
    ShopClient bo = shop.signedIn("bo");
    assertThat(bo.get("/api/session").body().at("/person/language").isNull()).isTrue();

    assertThat(bo.put("/api/me/language", Map.of("language", "NB")).status()).isEqualTo(204);

    assertThat(bo.get("/api/session").body().at("/person/language").stringValue()).isEqualTo("NB");
    assertThat(shop.signedIn().get("/api/session").body().at("/person/language").isNull()).isTrue();
    assertThat(bo.put("/api/me/language", Map.of("language", "TLH")).status()).isEqualTo(400);
  }

  @Test
  void aLeadInvitesAndTheCodeWorksOnce(RunningServer.Shop shop) {
    String code = invite(shop, "Kaja V.", "TECHNICIAN");
    ShopClient kaja = shop.stranger();

    assertThat(accept(kaja, code, "kaja").status()).isEqualTo(204);

    JsonNode session = kaja.get("/api/session").body();
    assertThat(session.at("/person/displayName").stringValue()).isEqualTo("Kaja V.");
    assertThat(session.at("/person/role").stringValue()).isEqualTo("TECHNICIAN");
    assertThat(accept(shop.stranger(), code, "kaja2").status()).isEqualTo(401);
    ShopClient.Answer byTechnician =
        kaja.post("/api/people/invitations", Map.of("displayName", "X", "role", "LEAD"));
    assertThat(byTechnician.status()).isEqualTo(403);
    assertThat(byTechnician.body().get("toDo").stringValue()).isEqualTo("Ask a lead to do it.");
  }

  @Test
  void theCounterNeitherRulesNorChangesMachines(RunningServer.Shop shop) {
    ShopClient joao = shop.signedIn("joao");
    long version = JobVersion.of(joao, "/api/jobs/J-2288");

    assertThat(
            joao.post(
                    "/api/jobs/J-2288/decisions",
                    Map.of(
                        "version", version, "courses", new String[] {"REPAIR"}, "reason", "sure"))
                .status())
        .isEqualTo(403);
    assertThat(
            joao.post("/api/jobs/J-2288/changes", Map.of("version", version, "what", "x")).status())
        .isEqualTo(403);
    assertThat(joao.post("/api/jobs/J-2288/take", Map.of("version", version)).status())
        .isEqualTo(403);
  }

  @Test
  void aPinSwitchesOnlyWhereThePersonHasSignedInInFull(RunningServer.Shop shop) {
    ShopClient pin = shop.stranger();
    assertThat(accept(pin, invite(shop, "Pia N.", "TECHNICIAN"), "pia").status()).isEqualTo(204);
    long pia = id(pin);
    assertThat(pin.put("/api/me/pin", Map.of("password", "long enough 1", "pin", "4711")).status())
        .isEqualTo(204);
    ShopClient bench = shop.signedIn("bo");
    ShopClient.Answer elsewhere =
        bench.post("/api/session/pin", Map.of("person", pia, "pin", "4711"));

    bench.signIn("pia", "long enough 1"); // beside Bo, in full
    long bo = bench.get("/api/session").body().at("/here/0/id").longValue();
    ShopClient.Answer noPin = bench.post("/api/session/pin", Map.of("person", bo, "pin", "0000"));
    bench.signIn("bo", shop.password());
    ShopClient.Answer wrong = bench.post("/api/session/pin", Map.of("person", pia, "pin", "1234"));
    ShopClient.Answer right = bench.post("/api/session/pin", Map.of("person", pia, "pin", "4711"));

    assertThat(elsewhere.status()).isEqualTo(401);
    assertThat(noPin.status()).isEqualTo(401);
    assertThat(wrong.status()).isEqualTo(401);
    assertThat(right.status()).isEqualTo(200);
    assertThat(right.body().at("/person/displayName").stringValue()).isEqualTo("Pia N.");

    pin.delete("/api/me/sessions"); // everywhere: the bench forgets her too
    bench.signIn("bo", shop.password());
    assertThat(bench.post("/api/session/pin", Map.of("person", pia, "pin", "4711")).status())
        .isEqualTo(401);
    assertThat(pin.get("/api/floor").status()).isEqualTo(401);
  }

  @Test
  void guessingAPinEndsWithThePassword(RunningServer.Shop shop) {
    ShopClient bench = shop.stranger();
    assertThat(accept(bench, invite(shop, "Gil F.", "TECHNICIAN"), "gil").status()).isEqualTo(204);
    long gil = id(bench);
    bench.put("/api/me/pin", Map.of("password", "long enough 1", "pin", "2580"));
    bench.signIn("bo", shop.password());

    for (int i = 0; i < 5; i++) {
      bench.post("/api/session/pin", Map.of("person", gil, "pin", "000" + i));
    }

    assertThat(bench.post("/api/session/pin", Map.of("person", gil, "pin", "2580")).status())
        .isEqualTo(429);
    assertThat(bench.post("/api/session/pin", Map.of("person", gil, "pin", "2580")).status())
        .isEqualTo(401); // no longer here at all
  }

  @Test
  void whoHasLeftIsOutAtOnceAndTheLastLeadStays(RunningServer.Shop shop) {
    ShopClient temp = shop.stranger();
    accept(temp, invite(shop, "Temp T.", "COUNTER"), "temp");
    long id = id(temp);
    ShopClient mara = shop.signedIn("mara");

    mara.put("/api/people/%d/active".formatted(id), Map.of("active", false));

    assertThat(temp.get("/api/floor").status()).isEqualTo(401);
    assertThat(shop.stranger().signIn("temp", "long enough 1").status()).isEqualTo(401);
    assertThat(
            mara.put("/api/people/%d/role".formatted(id(mara)), Map.of("role", "COUNTER")).status())
        .isEqualTo(409);
  }

  @Test
  void aForgottenPasswordIsReplacedByTheLeadsCode(RunningServer.Shop shop) {
    ShopClient first = shop.stranger();
    accept(first, invite(shop, "Finn O.", "TECHNICIAN"), "finn");
    long id = id(first);
    String code =
        shop.signedIn("mara")
            .post("/api/people/%d/new-password".formatted(id), Map.of())
            .body()
            .get("code")
            .stringValue();

    ShopClient again = shop.stranger();
    again.get("/api/session");
    again.post(
        "/api/invitations/accept",
        Map.of("code", code, "signInName", "", "password", "another one 22"));

    assertThat(first.get("/api/floor").status()).isEqualTo(401);
    assertThat(shop.stranger().signIn("finn", "long enough 1").status()).isEqualTo(401);
    assertThat(shop.stranger().signIn("finn", "another one 22").status()).isEqualTo(200);
    assertThat(id(again)).isEqualTo(id);
  }
}
