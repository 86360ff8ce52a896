package tekmerion.server.jobview;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import tekmerion.server.bay.Bay;
import tekmerion.server.intake.Secret;
import tekmerion.server.job.Changes;
import tekmerion.server.job.Job;
import tekmerion.server.photo.Photos;
import tekmerion.server.probe.ProbeViews;
import tekmerion.server.probe.ProbeViews.ProbeView;

/**
 * In whose hands it is, where it stands, and what is kept with it.
 *
 * @param openChange null if none waits for its check
 * @param bay null if the machine is on no bay
 */
record JobCustody(
    @Schema(nullable = true) HolderNote holder,
    List<HolderNote> sharedWith,
    @Schema(nullable = true) WaitNote waits,
    @Schema(nullable = true) Changes.Open openChange,
    boolean secretKept,
    List<Photos.PhotoNote> photos,
    @Schema(nullable = true) BayNote bay) {

  record HolderNote(long id, String displayName) {}

  /**
   * @param until null if nobody knows
   */
  record WaitNote(
      Job.WaitsFor what,
      String words,
      String note,
      Instant since,
      @Schema(nullable = true) Instant until) {}

  record BayNote(int number, @Schema(nullable = true) ProbeView probe) {}

  /** Whether the machine answers a probe. */
  boolean isProbeOnline() {
    return bay != null && bay.probe() != null && bay.probe().online();
  }

  /** Puts it together. */
  @Service
  static class Views {
    private final ProbeViews probes;
    private final Changes changes;
    private final Secret secret;
    private final Photos photos;
    private final JdbcClient jdbc;

    Views(ProbeViews probes, Changes changes, Secret secret, Photos photos, JdbcClient jdbc) {
      this.probes = probes;
      this.changes = changes;
      this.secret = secret;
      this.photos = photos;
      this.jdbc = jdbc;
    }

    JobCustody of(Job job, Optional<Bay> bay) {
      return new JobCustody(
          job.holder() == null
              ? null
              : new HolderNote(job.holder().id(), job.holder().displayName()),
          sharedWith(job),
          waits(job),
          changes.open(job.id()).orElse(null),
          secret.isKeptFor(job.id()),
          photos.of(job.id()),
          bay.map(b -> new BayNote(b.number(), probes.on(b.id()).orElse(null))).orElse(null));
    }

    private List<HolderNote> sharedWith(Job job) {
      return jdbc.sql(
              "SELECT a.id, a.display_name FROM job_share s JOIN account a ON a.id = s.account_id"
                  + " WHERE s.job_id = ? ORDER BY a.display_name")
          .param(job.id())
          .query((rs, n) -> new HolderNote(rs.getLong(1), rs.getString(2)))
          .list();
    }

    private static WaitNote waits(Job job) {
      return job.waitsFor() == null
          ? null
          : new WaitNote(
              job.waitsFor(),
              job.waitsFor().words(),
              job.waitsNote(),
              job.waitsSince(),
              job.waitsUntil());
    }
  }
}
