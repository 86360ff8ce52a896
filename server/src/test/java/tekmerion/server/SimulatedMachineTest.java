package tekmerion.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import tekmerion.launch.LinkPeer;
import tekmerion.link.BenchLink;
import tekmerion.link.MachineNote;
import tools.jackson.databind.json.JsonMapper;

/** An invented drive never comes into a real shop's job. */
class SimulatedMachineTest {
  private static HttpResponse<String> enrol(RunningServer.Shop shop, boolean simulated)
      throws Exception {
    MachineNote real = LinkPeer.MACHINE;
    MachineNote machine =
        new MachineNote(
            real.maker(), real.model(), "", "test", real.drives(), real.others(), simulated);
    Map<String, Object> body =
        Map.of(
            "code",
            "AAAA-BBBB",
            "probeVersion",
            "test",
            "outboxId",
            UUID.randomUUID(),
            "machine",
            machine);
    HttpRequest request =
        HttpRequest.newBuilder(shop.address().resolve(BenchLink.ENROLMENT_PATH))
            .header("Content-Type", "application/json")
            .POST(
                HttpRequest.BodyPublishers.ofString(
                    JsonMapper.builder().build().writeValueAsString(body)))
            .build();
    return HttpClient.newHttpClient().send(request, HttpResponse.BodyHandlers.ofString());
  }

  @Test
  void isTakenByADemoShopOnly() throws Exception {
    try (RunningServer.Shop shop = RunningServer.Shop.empty()) {
      HttpResponse<String> made = enrol(shop, true);
      HttpResponse<String> real = enrol(shop, false);

      assertThat(made.statusCode()).isEqualTo(403);
      assertThat(made.body()).contains("Only a demo shop takes one").contains("this:drives");
      assertThat(real.body()).contains("This enrolment code is wrong");
    }
  }
}
