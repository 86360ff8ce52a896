package tekmerion.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tekmerion.launch.ShopClient;
import tools.jackson.databind.JsonNode;

/** What the shop knows of a customer: how they are reached, what they brought and agreed to. */
@ExtendWith(RunningServer.class)
class CustomerTest {
  private static final String OWNER = "Sailmaker Ness";

  @Test
  void tellsEachVisitAndAllThatWasAgreedNewestFirst(RunningServer.Shop shop) throws Exception {
    ShopClient joao = shop.signedIn("joao");
    try (BenchJob job = BenchJob.begin(shop, 6, OWNER, "drive-a")) {
      job.read("drive-a", "sound-drive");
      assertThat(TestDrive.signAway(job.ines, job.number, OWNER, "drive-a").status())
          .isEqualTo(201);
      JsonNode estimate =
          job.act("/estimates", Map.of("remedies", List.of("replace-drive"))).body();
      Map<String, Object> said =
          Map.of("how", "PHONE", "signer", "Ada Ness", "upTo", 190, "note", "after lunch");
      String answers = "/estimates/%d/answers".formatted(estimate.get("id").longValue());
      assertThat(job.actAs(joao, answers, said).status()).isLessThan(300);

      JsonNode customer = joao.get(path(job)).body();

      assertThat(customer.at("/jobs/0/number").stringValue()).isEqualTo(job.number);
      assertThat(customer.at("/jobs/0/endedAt").isNull()).isTrue();
      assertThat(customer.at("/jobs/0/found").stringValue()).isNotBlank();
      assertThat(customer.at("/agreed/0/what").stringValue()).isEqualTo("ESTIMATE_BY_PHONE");
      assertThat(customer.at("/agreed/0/upTo").decimalValue()).isEqualByComparingTo("190");
      assertThat(customer.at("/agreed/1/what").stringValue()).isEqualTo("DRIVE_SIGNED_AWAY");
      assertThat(customer.at("/agreed/1/signer").stringValue()).isEqualTo(OWNER);
      assertThat(customer.at("/agreed/1/revoked").booleanValue()).isFalse();
    }
  }

  @Test
  void theCounterChangesHowTheyAreReachedAndItIsAudited(RunningServer.Shop shop) throws Exception {
    try (BenchJob job = BenchJob.begin(shop, 6, OWNER, "drive-a")) {
      ShopClient joao = shop.signedIn("joao");
      Map<String, Object> contact = new HashMap<>();
      contact.put("name", " Sailmaker Ness & Daughter ");
      contact.put("phone", "+47 555 10 20");
      contact.put("email", "at the harbour");
      String path = path(job);

      assertThat(joao.put(path, contact).status()).isEqualTo(400);
      contact.put("email", "");
      assertThat(job.ines.put(path, contact).status()).isEqualTo(403); // a technician
      assertThat(joao.put(path, contact).status()).isEqualTo(204);

      JsonNode now = joao.get(path).body();
      assertThat(now.get("name").stringValue()).isEqualTo("Sailmaker Ness & Daughter");
      assertThat(now.get("phone").stringValue()).isEqualTo("+47 555 10 20");
      assertThat(now.get("email").isNull()).isTrue();
      assertThat(job.view().get("customer").stringValue()).isEqualTo("Sailmaker Ness & Daughter");
      assertThat(shop.signedIn("mara").get("/api/audit").body().toString())
          .contains("CUSTOMER_CHANGED");
    }
  }

  private static String path(BenchJob job) {
    return "/api/customers/" + job.view().get("customerId").longValue();
  }
}
