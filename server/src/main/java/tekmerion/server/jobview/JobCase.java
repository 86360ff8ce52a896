package tekmerion.server.jobview;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import tekmerion.core.forecast.Stage;
import tekmerion.core.knowhow.Family;
import tekmerion.core.knowhow.FindingKind;
import tekmerion.server.job.Job;
import tekmerion.server.knowhow.ShopKnowHow;
import tekmerion.server.part.Machine;

/**
 * Whose machine it is, what is wrong with it, and how far the job has come.
 *
 * @param version what a change must name, so that nobody overwrites another
 * @param bootStage null if not known
 * @param bootStages from nothing to desktop, as the ladder is climbed
 * @param endedAt null while it is in the shop
 * @param looseDrive whether it is a drive alone, with no machine around it
 * @param fromCounter whether what was said can be corrected in the conversation
 */
record JobCase(
    String number,
    long version,
    String machine,
    @Schema(nullable = true) String machineSerial,
    boolean looseDrive,
    long customerId,
    String customer,
    String complaint,
    @Schema(nullable = true) String errorText,
    List<String> families,
    @Schema(nullable = true) String bootStage,
    List<String> bootStages,
    Instant takenInAt,
    @Schema(nullable = true) Instant promisedAt,
    @Schema(nullable = true) Instant endedAt,
    @Schema(nullable = true) String endedHow,
    Stage stage,
    boolean fromCounter) {

  /** Puts it together. */
  @Service
  static class Views {
    private final ShopKnowHow knowHow;
    private final JdbcClient jdbc;

    Views(ShopKnowHow knowHow, JdbcClient jdbc) {
      this.knowHow = knowHow;
      this.jdbc = jdbc;
    }

    JobCase of(Job job) {
      return new JobCase(
          job.number(),
          job.version(),
          job.machine().name(),
          job.machine().serial(),
          job.machine().kind() == Machine.Kind.LOOSE_DRIVE,
          job.customer().id(),
          job.customer().displayName(),
          job.complaint(),
          job.errorText(),
          job.families().stream()
              .map(id -> knowHow.now().family(id).map(Family::name).orElse(id))
              .toList(),
          job.bootStage(),
          bootStages(),
          job.takenInAt(),
          job.promisedAt(),
          job.endedAt(),
          job.endedHow() == null ? null : job.endedHow().words(),
          job.stage(),
          fromCounter(job));
    }

    private List<String> bootStages() {
      List<String> levels =
          new ArrayList<>(
              knowHow.now().finding("boot-stage").map(FindingKind::levels).orElse(List.of()));
      Collections.reverse(levels);
      return levels;
    }

    private boolean fromCounter(Job job) {
      return jdbc.sql("SELECT COUNT(*) FROM intake WHERE job_id = ?")
              .param(job.id())
              .query(Integer.class)
              .single()
          > 0;
    }
  }
}
