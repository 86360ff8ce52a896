package tekmerion.server.floor;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;
import tekmerion.core.weigh.Tilt;
import tekmerion.server.bay.Bay;
import tekmerion.server.bay.Bays;
import tekmerion.server.job.Job;
import tekmerion.server.job.Jobs;
import tekmerion.server.link.ProbeBoard;
import tekmerion.server.link.ProbeBoard.ProbeView;

/** The floor and the bays of the top band. A fixed number of statements, however many jobs. */
@RestController
class FloorController {
  private final Jobs jobs;
  private final Bays bays;
  private final ProbeBoard probes;
  private final JdbcClient jdbc;
  private final Clock clock;

  /** How a bay stands with its probe. */
  enum Link {
    NO_PROBE,
    ONLINE,
    OFFLINE
  }

  /** Who must act next. */
  enum Acts {
    PERSON,
    RUNNING,
    RULED
  }

  /**
   * @param job null if the bay is free
   */
  record BayView(int number, Link link, @Schema(nullable = true) BayJob job) {}

  record BayJob(String number, String machine, Tilt tilt, Acts acts, String line) {}

  record FloorJob(
      String number,
      String machine,
      String customer,
      Tilt tilt,
      String headline,
      Acts acts,
      String line,
      Instant takenInAt,
      @Schema(nullable = true) Instant promisedAt,
      @Schema(nullable = true) Integer bay) {}

  record Floor(Instant now, List<BayView> bays, List<FloorJob> jobs) {}

  FloorController(Jobs jobs, Bays bays, ProbeBoard probes, JdbcClient jdbc, Clock clock) {
    this.jobs = jobs;
    this.bays = bays;
    this.probes = probes;
    this.jdbc = jdbc;
    this.clock = clock;
  }

  @GetMapping("/api/floor")
  @Transactional(readOnly = true)
  Floor floor() {
    Map<Long, ProbeView> probeByBay = probes.all();
    Set<Long> reading = ids("SELECT DISTINCT job_id FROM read_request WHERE ended_at IS NULL");
    Set<Long> read = ids("SELECT DISTINCT job_id FROM reading");
    Set<Long> ruled = ids("SELECT DISTINCT job_id FROM ruling");
    Map<Long, Integer> bayByJob = new HashMap<>();
    List<BayView> bayViews = new ArrayList<>();
    for (Bay bay : bays.findAllByOrderByNumber()) {
      Job job = bay.job();
      BayJob inIt = null;
      if (job != null) {
        bayByJob.put(job.id(), bay.number());
        Acts acts = acts(job, reading, ruled);
        inIt =
            new BayJob(
                job.number(), job.machine().name(), job.tilt(), acts, shortLine(job, acts, read));
      }
      bayViews.add(new BayView(bay.number(), link(probeByBay.get(bay.id())), inIt));
    }
    List<FloorJob> jobViews =
        jobs.findAllByOrderByTakenInAtDesc().stream()
            .map(job -> view(job, acts(job, reading, ruled), read, bayByJob.get(job.id())))
            .toList();
    return new Floor(clock.instant(), bayViews, jobViews);
  }

  private static FloorJob view(Job job, Acts acts, Set<Long> read, Integer bay) {
    return new FloorJob(
        job.number(),
        job.machine().name(),
        job.customer().displayName(),
        job.tilt(),
        job.headline(),
        acts,
        line(job, acts, read),
        job.takenInAt(),
        job.promisedAt(),
        bay);
  }

  private static Acts acts(Job job, Set<Long> reading, Set<Long> ruled) {
    if (reading.contains(job.id())) {
      return Acts.RUNNING;
    }
    return ruled.contains(job.id()) ? Acts.RULED : Acts.PERSON;
  }

  private static String line(Job job, Acts acts, Set<Long> read) {
    return switch (acts) {
      case RUNNING -> "Reading a drive";
      case RULED -> "Ruled: do the work";
      case PERSON -> read.contains(job.id()) ? "Weigh it up and rule" : "Read its drive";
    };
  }

  private static String shortLine(Job job, Acts acts, Set<Long> read) {
    return switch (acts) {
      case RUNNING -> "reading";
      case RULED -> "ruled";
      case PERSON -> read.contains(job.id()) ? "to rule" : "needs you";
    };
  }

  private static Link link(ProbeView probe) {
    if (probe == null) {
      return Link.NO_PROBE;
    }
    return probe.online() ? Link.ONLINE : Link.OFFLINE;
  }

  private Set<Long> ids(String sql) {
    return new HashSet<>(jdbc.sql(sql).query(Long.class).list());
  }
}
