package tekmerion.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.simple.JdbcClient;
import tekmerion.link.DriveSeen;
import tekmerion.link.RunKind;
import tekmerion.link.SurfaceScanResult;
import tekmerion.server.job.JobAspect;
import tools.jackson.databind.JsonNode;

/**
 * A browser asks only for what an event names: whatever people do, what no event named is as it
 * was. Random steps on two jobs that have the same drive.
 */
@ExtendWith(RunningServer.class)
class JobAspectTest {
  private static final int STEPS = 80;
  private static final List<String> STATUSES = List.of("NOT_ASKED", "WANTED", "NOT_WANTED");
  private static final List<String> COURSES = List.of("REPAIR", "RECOVER_DATA", "REPLACE_PART");

  private final Random random = new Random(17);

  /** One job of the two, and what was seen of it last. */
  private static final class Watched {
    private final BenchJob job;
    private Map<JobAspect, JsonNode> seen;

    Watched(BenchJob job) {
      this.job = job;
      seen = look();
    }

    /** Every part of the view, in one answer: each by itself would weigh six times as often. */
    Map<JobAspect, JsonNode> look() {
      JsonNode view =
          job.ines
              .get(job.path() + "/aspects?of=CASE,CUSTODY,EVIDENCE,DIAGNOSIS,PLAN,HISTORY")
              .body();
      Map<JobAspect, JsonNode> all = new EnumMap<>(JobAspect.class);
      for (JobAspect aspect : JobAspect.values()) {
        String name = aspect == JobAspect.CASE ? "jobCase" : aspect.name().toLowerCase(Locale.ROOT);
        all.put(aspect, view.get(name));
      }
      return all;
    }

    String headline() {
      return seen.get(JobAspect.DIAGNOSIS).at("/weighing/headline").stringValue();
    }

    Set<JobAspect> changed() {
      Map<JobAspect, JsonNode> now = look();
      Set<JobAspect> changed = EnumSet.noneOf(JobAspect.class);
      now.forEach(
          (aspect, view) -> {
            if (!view.equals(seen.get(aspect))) {
              changed.add(aspect);
            }
          });
      seen = now;
      return changed;
    }
  }

  private interface Step {
    void on(BenchJob job) throws Exception;
  }

  private static Map<String, Object> with(Object... pairs) {
    Map<String, Object> all = new HashMap<>();
    for (int i = 0; i < pairs.length; i += 2) {
      all.put((String) pairs[i], pairs[i + 1]);
    }
    return all;
  }

  private <T> T any(List<T> of) {
    return of.get(random.nextInt(of.size()));
  }

  /** A move by hand as people make it: with what was seen, or with why it could not be done. */
  private void move(BenchJob job) {
    List<JsonNode> open = new ArrayList<>();
    for (JsonNode move : job.view().get("moves")) {
      if (move.get("lock").isNull() && move.get("by").isNull() && !move.get("move").isNull()) {
        open.add(move);
      }
    }
    if (open.isEmpty()) {
      return;
    }
    JsonNode move = any(open);
    String at = "/moves/" + move.get("move").stringValue();
    String part = move.get("part").stringValue();
    if (move.get("changes").booleanValue()) {
      job.act(at + "/begin", with("part", part, "drive", null));
    }
    if (random.nextInt(5) == 0) {
      job.act(at + "/could-not", with("part", part, "why", "no time"));
      return;
    }
    Map<String, String> levels = new HashMap<>();
    for (JsonNode asked : move.get("asks")) {
      JsonNode all = asked.get("levels");
      levels.put(
          asked.get("finding").stringValue(),
          all.get(random.nextInt(all.size())).get("id").stringValue());
    }
    job.act(at + "/outcome", with("part", part, "levels", levels, "note", ""));
  }

  private void takeBack(BenchJob job) {
    JsonNode made = job.view().get("made");
    if (made.size() > 0) {
      JsonNode move = made.get(random.nextInt(made.size()));
      job.act(
          "/moves/%s/take-back".formatted(move.get("move").stringValue()),
          with("part", move.get("part").stringValue(), "drive", null));
    }
  }

  private void photo(BenchJob job) throws IOException {
    ByteArrayOutputStream png = new ByteArrayOutputStream();
    ImageIO.write(new BufferedImage(8, 8, BufferedImage.TYPE_INT_RGB), "png", png);
    job.ines.upload(job.path() + "/photos?words=lid", "image/png", png.toByteArray());
  }

  private void isolate(BenchJob job) {
    String at = job.path() + "/isolations/OUTSIDE";
    JsonNode view = job.ines.get(at).body();
    if (view.get("things").isEmpty()) {
      job.ines.put(
          at,
          with(
              "version",
              view.get("version").longValue(),
              "things",
              List.of(Map.of("kind", "cable", "name", "a"), Map.of("kind", "cable", "name", "b"))));
    } else {
      job.act(
          "/isolations/OUTSIDE/starts",
          with(
              "arrangement",
              List.of(random.nextInt(2)),
              "outcome",
              any(List.of("PASS", "FAIL", "INCONCLUSIVE")),
              "note",
              ""));
    }
  }

  private static void scan(BenchJob job, DriveSeen drive) throws Exception {
    SurfaceScanResult clean =
        new SurfaceScanResult(
            drive.sizeBytes(),
            512,
            1_000,
            1.0,
            drive.sizeBytes(),
            1_000,
            0,
            0.005,
            List.of(new SurfaceScanResult.ZoneNote(3, 100, 200, 300, 1, 0)),
            List.of(),
            List.of());
    job.run("drive-a", RunKind.SURFACE_SCAN, clean, drive);
  }

  private Map<String, Step> byHand(RunningServer.Shop shop) {
    Map<String, Step> all = new TreeMap<>();
    all.put("take", job -> job.actAs(shop.signedIn(any(List.of("bo", "ines"))), "/take", with()));
    all.put("hand over", job -> job.act("/hand-over", with("to", null, "note", "free")));
    all.put("wait", job -> job.act("/wait", with("what", "PART", "note", "a fan", "until", null)));
    all.put("go on", job -> job.act("/wait", with("what", null, "note", "", "until", null)));
    all.put("change", job -> job.act("/changes", with("what", "fan cleaned")));
    all.put("check", job -> job.act("/check", with("result", "SAME", "note", "")));
    all.put("photo", this::photo);
    all.put("move", this::move);
    all.put("another move", this::move);
    all.put("take back", this::takeBack);
    all.put("data", job -> job.act("/data-status", with("dataStatus", any(STATUSES))));
    all.put("decide", job -> job.decide(any(COURSES)));
    all.put("trial", job -> job.act("/trials", with("failed", random.nextBoolean(), "note", "")));
    all.put("isolate", this::isolate);
    return all;
  }

  private static Map<String, Step> byProbe(DriveSeen drive) {
    Map<String, Step> all = new TreeMap<>();
    all.put("read", job -> job.read("drive-a", "sound-drive"));
    all.put("scan", job -> scan(job, drive));
    return all;
  }

  @Test
  void whatNoEventNamesIsAsItWas(RunningServer.Shop shop) throws Exception {
    DriveSeen drive = TestDrive.quay();
    BenchJob first = BenchJob.begin(shop, 6, "Aspect Aal", drive, "drive-a");
    first.read("drive-a", "sound-drive");
    first.close();
    try (BenchJob second = BenchJob.begin(shop, 6, "Aspect Bruun", drive, "drive-a")) {
      second.read("drive-a", "sound-drive");
      Watch watch = new Watch(shop, List.of(new Watched(first), new Watched(second)));
      Map<String, Step> anywhere = byHand(shop);
      Map<String, Step> onBench = new TreeMap<>(anywhere);
      onBench.putAll(byProbe(drive));
      for (int i = 0; i < STEPS; i++) {
        BenchJob job = i % 2 == 0 ? first : second;
        Map<String, Step> steps = job == first ? anywhere : onBench;
        String name = any(List.copyOf(steps.keySet()));
        watch.step(name, steps.get(name), job);
      }
      watch.step("off its bay", job -> job.act("/bay", with("bay", null)), second);

      assertThat(watch.untold).isEmpty();
      assertThat(watch.came.get("move")).contains(JobAspect.DIAGNOSIS);
      assertThat(watch.came.get("photo")).contains(JobAspect.CUSTODY);
    }
  }

  /** Compares what changed with what the events named. */
  private static final class Watch {
    private final JdbcClient jdbc;
    private final List<Watched> jobs;
    private final List<String> untold = new ArrayList<>();

    /** What a step changed of its own job, at any time. */
    private final Map<String, Set<JobAspect>> came = new TreeMap<>();

    Watch(RunningServer.Shop shop, List<Watched> jobs) {
      jdbc = shop.bean(JdbcClient.class);
      this.jobs = jobs;
    }

    void step(String name, Step step, BenchJob job) throws Exception {
      long before =
          jdbc.sql("SELECT COALESCE(MAX(id), 0) FROM live_event").query(Long.class).single();
      step.on(job);
      for (Watched watched : jobs) {
        Set<JobAspect> changed = watched.changed();
        if (watched.job == job) {
          came.computeIfAbsent(name, k -> EnumSet.noneOf(JobAspect.class)).addAll(changed);
        }
        changed.removeAll(named(before, watched.job.number));
        String where = name + (watched.job == job ? "" : " elsewhere");
        if (!changed.isEmpty()) {
          untold.add("%s: %s".formatted(where, changed));
        }
        if (!onFloor(watched.job).equals(watched.headline())) {
          untold.add(where + ": the floor says other than the job");
        }
      }
    }

    private static String onFloor(BenchJob job) {
      for (JsonNode line : job.ines.get("/api/floor").body().get("jobs")) {
        if (line.get("number").stringValue().equals(job.number)) {
          return line.get("headline").stringValue();
        }
      }
      return "not there";
    }

    private Set<JobAspect> named(long after, String number) {
      Set<JobAspect> all = EnumSet.noneOf(JobAspect.class);
      jdbc.sql("SELECT body FROM live_event WHERE id > ? AND topic = ?")
          .params(after, "job:" + number)
          .query(String.class)
          .list()
          .forEach(
              body -> Arrays.stream(body.split(",")).map(JobAspect::valueOf).forEach(all::add));
      return all;
    }
  }
}
