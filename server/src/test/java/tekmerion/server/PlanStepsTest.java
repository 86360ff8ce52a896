package tekmerion.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.assertj.core.groups.Tuple;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tekmerion.launch.ShopClient;
import tools.jackson.databind.JsonNode;

/** A signed plan is carried from step to step, one change at a time. */
@ExtendWith(RunningServer.class)
class PlanStepsTest {
  private static String decided(RunningServer.Shop shop, String... remedies) {
    String job =
        "/api/jobs/"
            + Talk.begin(shop.signedIn("joao"))
                .of("Runa Sol", "Tarnwick", "desk tower", "It is dead, no light at all")
                .takeIn();
    ShopClient.Answer signed =
        send(
            shop.signedIn(),
            job,
            "/decisions",
            Map.of("remedies", List.of(remedies), "reason", "Measured."));
    assertThat(signed.status()).isEqualTo(201);
    return job;
  }

  private static ShopClient.Answer send(
      ShopClient shop, String job, String what, Map<String, Object> body) {
    Map<String, Object> all = new HashMap<>(body);
    all.put("version", JobVersion.of(shop, job));
    return shop.post(job + what, all);
  }

  private static int begin(ShopClient shop, String job, String remedy) {
    return send(shop, job, "/steps/%s/begin".formatted(remedy), Map.of()).status();
  }

  private static int check(ShopClient shop, String job, String result) {
    return send(shop, job, "/check", Map.of("result", result, "note", "")).status();
  }

  private static List<Tuple> steps(ShopClient shop, String job) {
    return shop.get(job).body().at("/work/steps").valueStream().map(PlanStepsTest::step).toList();
  }

  private static Tuple step(JsonNode step) {
    return tuple(step.get("id").stringValue(), step.get("state").stringValue());
  }

  @Test
  void aSignedPlanIsDoneStepByStepUntilTheComplaintIsGone(RunningServer.Shop shop) {
    ShopClient ines = shop.signedIn();
    String job = decided(shop, "replace-adapter", "replace-supply");

    assertThat(steps(ines, job))
        .containsExactly(
            tuple("replace-adapter", "NEXT"),
            tuple("replace-supply", "WAITS_FOR_STEP"),
            tuple("show", "WAITS_FOR_STEP"),
            tuple("hand-back", "WAITS_FOR_STEP"));
    assertThat(begin(ines, job, "replace-supply")).isEqualTo(423);
    assertThat(begin(ines, job, "replace-board")).isEqualTo(404);
    assertThat(begin(ines, job, "replace-adapter")).isEqualTo(204);
    assertThat(steps(ines, job)).startsWith(tuple("replace-adapter", "OPEN"));
    assertThat(begin(ines, job, "replace-supply")).isEqualTo(423);

    assertThat(check(ines, job, "SAME")).isEqualTo(204);
    assertThat(steps(ines, job))
        .startsWith(tuple("replace-adapter", "DONE"), tuple("replace-supply", "NEXT"));
    assertThat(begin(ines, job, "replace-adapter")).isEqualTo(409);
    assertThat(begin(ines, job, "replace-supply")).isEqualTo(204);
    assertThat(check(ines, job, "GONE")).isEqualTo(204);

    JsonNode work = ines.get(job).body().get("work");
    assertThat(work.get("at").intValue()).isEqualTo(3);
    assertThat(work.at("/steps/1/stateWords").stringValue())
        .isEqualTo("done, the complaint was gone");
    assertThat(work.at("/steps/2/stateWords").stringValue())
        .matches("to be done now, 0 of \\d+ clean trials");
  }

  @Test
  void whatWaitsForAPartSaysSoAndWhatEndsItMakesTheRestNeedless(RunningServer.Shop shop) {
    ShopClient ines = shop.signedIn();
    String job = decided(shop, "replace-adapter", "replace-supply");
    Map<String, Object> part = new HashMap<>();
    part.put("what", "PART");
    part.put("note", "an adapter");
    part.put("until", null);

    assertThat(send(ines, job, "/wait", part).status()).isEqualTo(204);
    assertThat(steps(ines, job)).startsWith(tuple("replace-adapter", "WAITS_FOR_PART"));

    assertThat(begin(ines, job, "replace-adapter")).isEqualTo(204); // it came meanwhile
    assertThat(check(ines, job, "GONE")).isEqualTo(204);
    assertThat(steps(ines, job)).contains(tuple("replace-supply", "NOT_NEEDED"));
  }

  /** Job and floor say so; a new decision is another matter. */
  @Test
  void whatIsAllDoneInVainIsDecidedAnew(RunningServer.Shop shop) {
    ShopClient ines = shop.signedIn();
    String job = decided(shop, "replace-adapter", "replace-supply");

    assertThat(begin(ines, job, "replace-adapter")).isEqualTo(204);
    assertThat(check(ines, job, "SAME")).isEqualTo(204);
    assertThat(ines.get(job).body().get("contradicted").isNull()).isTrue();
    assertThat(floorLine(ines, job)).isEqualTo("Go on with the plan");
    assertThat(begin(ines, job, "replace-supply")).isEqualTo(204);
    assertThat(check(ines, job, "DIFFERENT")).isEqualTo(204);

    assertThat(ines.get(job).body().get("contradicted").stringValue())
        .isEqualTo("All of the plan was done, and the complaint is still there.");
    assertThat(floorLine(ines, job))
        .isEqualTo(
            "Look at the decision again: all of the plan was done, and the complaint is still"
                + " there.");

    Map<String, Object> another = Map.of("remedies", List.of("replace-board"), "reason", "Left.");
    assertThat(send(ines, job, "/decisions", another).status()).isEqualTo(201);
    assertThat(ines.get(job).body().get("contradicted").isNull()).isTrue();
  }

  private static String floorLine(ShopClient shop, String job) {
    String number = job.substring(job.lastIndexOf('/') + 1);
    return shop.get("/api/floor")
        .body()
        .get("jobs")
        .valueStream()
        .filter(lane -> lane.get("number").stringValue().equals(number))
        .map(lane -> lane.get("line").stringValue())
        .findFirst()
        .orElseThrow();
  }

  /** The copy was made elsewhere: the plan goes on, and no gate takes the word for it. */
  @Test
  void whatCouldNotBeDoneIsSaidAndOpensNoGate(RunningServer.Shop shop) {
    ShopClient ines = shop.signedIn();
    String job = decided(shop, "recover-data", "replace-adapter");
    Map<String, Object> why = Map.of("why", "copied by a clean room");

    assertThat(send(ines, job, "/steps/replace-adapter/not-done", why).status()).isEqualTo(423);
    assertThat(send(ines, job, "/steps/recover-data/not-done", Map.of("why", " ")).status())
        .isEqualTo(400);
    assertThat(begin(ines, job, "recover-data")).isEqualTo(400); // it is no change
    assertThat(send(ines, job, "/steps/recover-data/not-done", why).status()).isEqualTo(204);

    JsonNode seen = ines.get(job).body();
    assertThat(seen.at("/work/steps/0/stateWords").stringValue())
        .isEqualTo("not done: copied by a clean room");
    assertThat(steps(ines, job))
        .startsWith(tuple("recover-data", "NOT_DONE"), tuple("replace-adapter", "NEXT"));
    assertThat(seen.at("/data/status").stringValue()).isEqualTo("NOT_ASKED");
    assertThat(send(ines, job, "/check", Map.of("result", "NOT_DONE", "note", "")).status())
        .isEqualTo(400);
  }

  /** Courses alone say no steps: then there is no work to show. */
  @Test
  void aDecisionThatNamesNoPlanHasNoSteps(RunningServer.Shop shop) {
    ShopClient ines = shop.signedIn();
    String job =
        "/api/jobs/"
            + Talk.begin(shop.signedIn("joao"))
                .of("Runa Sol", "Tarnwick", "desk tower", "It is slow")
                .takeIn();

    assertThat(
            send(ines, job, "/decisions", Map.of("courses", List.of("REPAIR"), "reason", "Seen."))
                .status())
        .isEqualTo(201);

    assertThat(ines.get(job).body().get("work").isNull()).isTrue();
    assertThat(begin(ines, job, "drain")).isEqualTo(404);
  }
}
