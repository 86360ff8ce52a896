package tekmerion.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.knowhow.Move;
import tekmerion.core.ruling.Course;
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
          "post /api/link/enrol",
          "post /api/customers/{id}/erase",
          "put /api/parts/{id}/same/{other}",
          "delete /api/parts/{id}/same/{other}",
          "post /api/maker-notes",
          "post /api/jobs/import",
          "post /api/shelf/stock",
          "post /api/shelf/stock/{id}/moves",
          "post /api/jobs/{number}/captures",
          "put /api/jobs/{number}/memory",
          "post /api/jobs/{number}/memory/starts",
          "post /api/jobs/{number}/memory/starts/{start}/take-back",
          "put /api/jobs/{number}/things/{sort}",
          "post /api/jobs/{number}/things/{sort}/starts",
          "post /api/jobs/{number}/things/{sort}/starts/{start}/take-back",
          "post /api/know-how/likelihoods",
          "post /api/jobs/{number}/stance",
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
          "post /api/jobs/{number}/moves/{move}/take-back",
          "post /api/jobs/{number}/readings",
          "post /api/jobs/{number}/drives/{driveKey}/files", // reads the drive, writes elsewhere
          "post /api/runs/{id}/pause",
          "post /api/runs/{id}/end",
          "post /api/me/hand-over-all",
          "post /api/me/notices/seen",
          "put /api/me/password",
          "put /api/me/pin",
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
          "post /api/jobs/{number}/rulings",
          "post /api/jobs/{number}/moves/{move}/begin",
          "post /api/jobs/{number}/moves/{move}/outcome",
          "post /api/jobs/{number}/drives/{driveKey}/runs", // RunTest
          "post /api/jobs/{number}/drives/{driveKey}/erase", // EraseTest
          "post /api/jobs/{number}/drives/{driveKey}/mend", // EraseTest
          "post /api/jobs/{number}/drives/{driveKey}/mend/take-back", // the same gates, EraseTest
          "post /api/jobs/{number}/drives/{driveKey}/copy/erase", // CopiesTest
          "post /api/runs/{id}/resume", // RunTest
          "post /api/jobs/{number}/ready",
          "post /api/jobs/{number}/end");

  private static Map<String, Object> versioned(
      ShopClient shop, String job, Map<String, Object> body) {
    Map<String, Object> all = new HashMap<>(body);
    all.put("version", shop.get("/api/jobs/" + job).body().get("version").intValue());
    return all;
  }

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

  @Test
  void noCourseThatWritesIsRuledAndNoMoveThatWritesIsMadeBeforeTheDataIsSafe(
      RunningServer.Shop shop) throws Exception {
    ShopClient ines = shop.signedIn();
    String job =
        Talk.begin(shop.signedIn("joao"))
            .of("Walked Varga", "Calder", "desk tower", "Keeps restarting, stuck update")
            .takeIn();
    long rulings = shop.count("SELECT COUNT(*) FROM ruling");
    long moves = shop.count("SELECT COUNT(*) FROM job_move");
    long changes = shop.count("SELECT COUNT(*) FROM job_change");
    List<Move> writing =
        KnowHow.shipped().moves().stream()
            .filter(m -> m.touches().endangersData() && m.by() == null)
            .toList();
    assertThat(writing).hasSizeGreaterThan(20);
    for (String stance : List.of("UNKNOWN", "WANTED")) {
      Map<String, Object> said = new HashMap<>(Map.of("stance", stance, "signer", ""));
      assertThat(ines.post("/api/jobs/" + job + "/stance", versioned(ines, job, said)).status())
          .isEqualTo(204);
      for (Course course : Course.values()) {
        if (course.touch().endangersData()) {
          List<List<Course>> ways = new ArrayList<>();
          ways.add(List.of(course));
          ways.add(List.of(Course.RECOVER_DATA, course));
          for (List<Course> courses : ways) {
            Map<String, Object> ruling = Map.of("courses", courses, "reason", "because");
            assertThat(
                    ines.post("/api/jobs/" + job + "/rulings", versioned(ines, job, ruling))
                        .status())
                .as("%s while %s", courses, stance)
                .isEqualTo(423);
          }
        }
      }
      for (Move move : writing) {
        String part = move.isOfWholeMachine() ? "machine" : "drive-a";
        String path = "/api/jobs/" + job + "/moves/" + move.id();
        String sign = move.tells().get(0).id();
        String level = move.tells().get(0).levels().keySet().iterator().next();
        int begin = ines.post(path + "/begin", versioned(ines, job, Map.of("part", part))).status();
        int outcome =
            ines.post(
                    path + "/outcome",
                    versioned(
                        ines, job, Map.of("part", part, "levels", Map.of(sign, level), "note", "")))
                .status();
        // 409: not for this complaint or this far a machine; the same refusal, for another reason
        assertThat(begin).as("%s while %s", move.id(), stance).isIn(423, 409);
        assertThat(outcome).as("%s while %s", move.id(), stance).isIn(423, 409);
      }
    }
    assertThat(shop.count("SELECT COUNT(*) FROM ruling")).isEqualTo(rulings);
    assertThat(shop.count("SELECT COUNT(*) FROM job_move")).isEqualTo(moves);
    assertThat(shop.count("SELECT COUNT(*) FROM job_change")).isEqualTo(changes);
  }

  /** The bench link: of all that a probe can be told, only a run loads a drive, and none writes. */
  @Test
  void whatAProbeCanBeToldReadsOnly() {
    assertThat(ToProbe.class.getPermittedSubclasses())
        .extracting(Class::getSimpleName)
        .containsExactlyInAnyOrder(
            "Welcome", "Acknowledge", "Resend", "ReadDrive", "StartRun", "StopRun");
  }
}
