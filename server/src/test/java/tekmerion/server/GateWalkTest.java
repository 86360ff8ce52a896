package tekmerion.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tekmerion.core.decision.Course;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.knowhow.Move;
import tekmerion.core.permit.Load;
import tekmerion.core.permit.Lock;
import tekmerion.launch.ShopClient;
import tekmerion.link.ToProbe;
import tools.jackson.databind.JsonNode;

/**
 * Walks every path of the API that changes anything. One that is new and stands in neither list
 * fails here, until somebody has said whether it can lead to writing or erasing.
 */
@ExtendWith(RunningServer.class)
class GateWalkTest {
  /** Paths that write the shop's own records, ask a drive for its pages, or stop what runs. */
  private static final Set<String> RECORDS_ONLY =
      Set.of(
          "post /api/bays/{number}/enrolment-codes",
          "delete /api/bays/{number}/probe",
          "post /api/knocks/{id}/let-in", // a machine that is linked has no release yet
          "post /api/knocks/{id}/turn-away",
          "post /api/link/enrol",
          "post /api/customers/{id}/erase",
          "put /api/customers/{id}",
          "put /api/customers/{id}/language",
          "put /api/parts/{id}/same/{other}",
          "delete /api/parts/{id}/same/{other}",
          "post /api/maker-notes",
          "post /api/jobs/import",
          "post /api/stock/items",
          "post /api/stock/items/{id}/moves",
          "post /api/jobs/{number}/captures",
          "post /api/stick/visits", // keeps nothing
          "post /api/jobs/{number}/stick-visits/{id}", // StickVisitsTest: binds nobody
          "put /api/jobs/{number}/isolations/{sort}",
          "post /api/jobs/{number}/isolations/{sort}/starts",
          "post /api/jobs/{number}/isolations/{sort}/starts/{start}/take-back",
          "post /api/know-how/likelihoods",
          "post /api/jobs/{number}/data-status",
          "post /api/jobs/{number}/waivers", // WaiverTest: by name, by drive, by two
          "post /api/jobs/{number}/waivers/{id}/confirm", // WaiverTest
          "post /api/jobs/{number}/waivers/{id}/revoke", // WaiverTest: locks again
          "post /api/jobs/{number}/photos",
          "post /api/jobs/{number}/take",
          "post /api/jobs/{number}/hand-over",
          "post /api/jobs/{number}/share",
          "post /api/jobs/{number}/wait",
          "post /api/jobs/{number}/changes",
          "post /api/jobs/{number}/check",
          "post /api/jobs/{number}/bay",
          "post /api/jobs/{number}/secret",
          "post /api/jobs/{number}/trials",
          "post /api/jobs/{number}/proof-waiver",
          "post /api/jobs/{number}/moves/{move}/could-not",
          "post /api/jobs/{number}/steps/{remedy}/part/take",
          "post /api/jobs/{number}/steps/{remedy}/part/order",
          "post /api/jobs/{number}/steps/{remedy}/part/order-end",
          "post /api/jobs/{number}/steps/{remedy}/part/put-back",
          "post /api/jobs/{number}/steps/{remedy}/not-done", // PlanStepsTest: opens no gate
          "post /api/jobs/{number}/estimates",
          "post /api/jobs/{number}/estimates/{id}/answers",
          "put /api/prices/tariff",
          "put /api/prices/part",
          "post /api/prices/list",
          "post /api/jobs/{number}/moves/{move}/take-back",
          "post /api/jobs/{number}/readings",
          "post /api/jobs/{number}/parts/{partKey}/files", // reads the drive, writes elsewhere
          "post /api/runs/{id}/pause",
          "post /api/runs/{id}/end",
          "post /api/me/hand-over-all",
          "post /api/me/notices/seen",
          "put /api/me/password",
          "put /api/me/pin",
          "put /api/me/language",
          "delete /api/me/sessions",
          "post /api/know-how/changes",
          "post /api/know-how/preview",
          "post /api/people/invitations",
          "post /api/people/{id}/new-password",
          "put /api/people/{id}/role",
          "put /api/people/{id}/active",
          "post /api/invitations/accept",
          "post /api/session",
          "delete /api/session",
          "post /api/session/pin",
          "post /api/intakes",
          "patch /api/intakes/{id}",
          "post /api/intakes/{id}/waiver",
          "put /api/intakes/{id}/secret",
          "delete /api/intakes/{id}/secret",
          "delete /api/intakes/{id}",
          "post /api/intakes/{id}/bring-back",
          "post /api/intakes/{id}/take-in");

  /** Paths that can lead to writing, erasing, loading a drive, or handing back; each has a gate. */
  private static final Set<String> GATED =
      Set.of(
          "post /api/jobs/{number}/decisions",
          "post /api/jobs/{number}/steps/{remedy}/begin",
          "post /api/jobs/{number}/moves/{move}/begin",
          "post /api/jobs/{number}/moves/{move}/outcome",
          "post /api/jobs/{number}/parts/{partKey}/runs", // RunTest
          "post /api/jobs/{number}/parts/{partKey}/erase", // EraseTest
          "post /api/jobs/{number}/parts/{partKey}/mend", // EraseTest
          "post /api/jobs/{number}/parts/{partKey}/mend/take-back", // the same gates, EraseTest
          "post /api/jobs/{number}/parts/{partKey}/copy/erase", // CopiesTest
          "post /api/runs/{id}/resume", // RunTest
          "post /api/jobs/{number}/steps/{remedy}/part/old", // StepPartTest
          "post /api/jobs/{number}/hand-back", // StepPartTest: as "end"
          "post /api/jobs/{number}/ready",
          "post /api/jobs/{number}/end");

  @Test
  void everyPathThatChangesAnythingIsKnown(RunningServer.Shop shop) {
    JsonNode paths = shop.signedIn().get("/v3/api-docs").body().get("paths");
    Set<String> changing = new TreeSet<>();
    paths
        .propertyNames()
        .forEach(
            path ->
                paths
                    .get(path)
                    .propertyNames()
                    .forEach(
                        method -> {
                          if (!method.equals("get")) {
                            changing.add(method + " " + path);
                          }
                        }));
    Set<String> known = new TreeSet<>(RECORDS_ONLY);
    known.addAll(GATED);

    assertThat(changing).isNotEmpty();
    assertThat(known).containsAll(changing);
  }

  /** A job in a bay whose one drive was read, and nobody was asked about its data. */
  private static BenchJob walked(RunningServer.Shop shop) throws Exception {
    BenchJob job = BenchJob.begin(shop, 6, "Walked Varga", "drive-a");
    job.read("drive-a", "sound-drive");
    return job;
  }

  private static void mustBeLocked(ShopClient.Answer answer, Lock lock, String what) {
    assertThat(answer.status()).as(what).isEqualTo(423);
    assertThat(answer.body().get("lock").stringValue()).as(what).isEqualTo(lock.name());
    assertThat(answer.body().get("toDo").stringValue()).as(what).startsWith("Opens");
  }

  /** The reason is asked of each refusal: another one would open another way. */
  @Test
  void nothingThatWritesIsDecidedMadeOrRunBeforeTheDataIsSafe(RunningServer.Shop shop)
      throws Exception {
    try (BenchJob job = walked(shop)) {
      long decisions = shop.count("SELECT COUNT(*) FROM decision");
      long moves = shop.count("SELECT COUNT(*) FROM job_move");
      long changes = shop.count("SELECT COUNT(*) FROM job_change");
      long runs = shop.count("SELECT COUNT(*) FROM run");
      for (String said : List.of("NOT_ASKED", "WANTED")) {
        assertThat(job.act("/data-status", Map.of("dataStatus", said)).status()).isEqualTo(204);
        for (Course course : Course.values()) {
          if (course.invasiveness().endangersData()) {
            for (List<Course> courses :
                List.of(List.of(course), List.of(Course.RECOVER_DATA, course))) {
              mustBeLocked(
                  job.act("/decisions", Map.of("courses", courses, "reason", "because")),
                  Lock.DATA_NOT_SAFE,
                  "%s while %s".formatted(courses, said));
            }
          }
        }
        for (JsonNode choice : job.ines.get(job.path() + "/plans").body().get("choices")) {
          if (Course.valueOf(choice.get("course").stringValue()).invasiveness().endangersData()) {
            String remedy = choice.get("id").stringValue();
            mustBeLocked(
                job.act("/decisions", Map.of("remedies", List.of(remedy), "reason", "because")),
                Lock.DATA_NOT_SAFE,
                "%s as a plan while %s".formatted(remedy, said));
            assertThat(job.act("/steps/%s/begin".formatted(remedy), Map.of()).status())
                .isEqualTo(404); // no plan was signed
          }
        }
        for (String path : List.of("/erase", "/mend", "/mend/take-back")) {
          mustBeLocked(
              job.act(
                  "/parts/drive-a" + path,
                  Map.of(
                      "size",
                      "240 GB",
                      "model",
                      "QUAY-240F",
                      "lastFour",
                      TestDrive.lastFour(job.drive))),
              Lock.DATA_NOT_SAFE,
              path + " while " + said);
        }
        moves(job, said);
      }
      assertThat(shop.count("SELECT COUNT(*) FROM decision")).isEqualTo(decisions);
      assertThat(shop.count("SELECT COUNT(*) FROM job_move")).isEqualTo(moves);
      assertThat(shop.count("SELECT COUNT(*) FROM job_change")).isEqualTo(changes);
      assertThat(shop.count("SELECT COUNT(*) FROM run")).isEqualTo(runs);
    }
  }

  /** One that the job is offered is locked by its data; any other is not to be had at all. */
  private static void moves(BenchJob job, String said) {
    List<Move> writing =
        KnowHow.shipped().moves().stream()
            .filter(m -> m.invasiveness().endangersData() && m.by() == null)
            .toList();
    assertThat(writing).hasSizeGreaterThan(20);
    int locked = 0;
    for (Move move : writing) {
      String part = move.isOfWholeMachine() ? "machine" : "drive-a";
      ShopClient.Answer begin = job.act("/moves/" + move.id() + "/begin", Map.of("part", part));
      String what = "%s while %s: %s".formatted(move.id(), said, begin.body());
      if (begin.status() == 409) {
        assertThat(begin.body().get("detail").stringValue())
            .as(what)
            .contains("makes no sense here");
      } else {
        mustBeLocked(begin, Lock.DATA_NOT_SAFE, what);
        locked++;
      }
      String finding = move.tells().get(0).id();
      String level = move.tells().get(0).levels().keySet().iterator().next();
      ShopClient.Answer outcome =
          job.act(
              "/moves/" + move.id() + "/outcome",
              Map.of("part", part, "levels", Map.of(finding, level), "note", ""));
      assertThat(outcome.status()).as(what).isEqualTo(423);
      assertThat(outcome.body().get("detail").stringValue()).as(what).contains("was not begun");
    }
    assertThat(locked).isGreaterThan(3);
  }

  /** Of a machine that nobody read a drive of, nobody knows whose data it would be. */
  @Test
  void nothingThatWritesIsDecidedOfAMachineWithoutAKnownDrive(RunningServer.Shop shop)
      throws Exception {
    try (BenchJob job = BenchJob.begin(shop, 6, "Unread Varga", "drive-a")) {
      for (Course course : Course.values()) {
        if (course.invasiveness().endangersData()) {
          mustBeLocked(
              job.decide(course.name()), Lock.DRIVE_NOT_IDENTIFIED, course + " of nothing");
        }
      }
      mustBeLocked(job.erase("drive-a"), Lock.DRIVE_NOT_IDENTIFIED, "erase");
    }
  }

  /** A swollen pack is neither loaded nor charged, by no move of ours and by no run. */
  @Test
  void aSwollenPackIsNotLoadedByAnyMove(RunningServer.Shop shop) throws Exception {
    try (BenchJob job = BenchJob.begin(shop, 6, "Swollen Sato", "drive-a")) {
      job.act(
          "/moves/battery-look/outcome",
          Map.of("part", "machine", "levels", Map.of("battery.shape", "swollen"), "note", ""));
      List<Move> loading =
          KnowHow.shipped().moves().stream()
              .filter(m -> m.effects().loads().contains(Load.BATTERY))
              .toList();
      assertThat(loading)
          .extracting(Move::id)
          .contains("battery-discharge", "load-steps", "gauge-learn", "charge-watch");
      for (Move move : loading) {
        ShopClient.Answer answer =
            move.act() == Move.Act.REPAIR
                ? job.act("/moves/" + move.id() + "/begin", Map.of("part", "machine"))
                : job.act(
                    "/moves/" + move.id() + "/outcome",
                    Map.of(
                        "part", "machine",
                        "levels",
                            Map.of(
                                move.tells().get(0).id(),
                                move.tells().get(0).levels().keySet().iterator().next()),
                        "note", ""));
        if (answer.status() != 409) { // not for this complaint
          assertThat(answer.status()).as(move.id()).isEqualTo(423);
          assertThat(answer.body().get("lock").stringValue())
              .as(move.id())
              .isEqualTo(Lock.BATTERY_UNSAFE.name());
        }
      }
    }
  }

  /** The bench link: of all that a probe can be told, only a run loads a drive, and none writes. */
  @Test
  void whatAProbeCanBeToldReadsOnly() {
    assertThat(ToProbe.class.getPermittedSubclasses())
        .extracting(Class::getSimpleName)
        .containsExactlyInAnyOrder(
            "Welcome",
            "Acknowledge",
            "Resend",
            "ReadPart",
            "StartRun",
            "StopRun",
            "ReleaseGiven",
            "ReleaseRefused");
  }
}
