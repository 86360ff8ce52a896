package tekmerion.launch;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Queue;
import java.util.Random;
import java.util.TreeMap;
import java.util.concurrent.Callable;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.atomic.AtomicBoolean;
import javax.imageio.ImageIO;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import tekmerion.link.files.WholeFile;
import tools.jackson.databind.JsonNode;

/** SIGKILL at random moments while people and probes work. */
@Command(
    name = "kills",
    description = {
      "Kill server, database and probes at random moments while photos are sent, drives are read",
      "and a drive is copied; every fifth time kill the server or its database while it makes its",
      "tables. All that was acknowledged must be there, and everything must start again."
    },
    mixinStandardHelpOptions = true)
final class ProveKillsCommand implements Callable<Integer> {
  private static final Duration PATIENCE = Duration.ofMinutes(2);
  private static final Duration COPY_PATIENCE = Duration.ofMinutes(20);
  private static final int COPIED_BAY = 1;
  private static final int READ_BAY = 2;
  private static final Map<Integer, String> MACHINES =
      Map.of(COPIED_BAY, "sim:worn-disk,5,600", READ_BAY, "sim:sound-drive,40,600");

  @Option(names = "--rounds", defaultValue = "100", description = "Kills (default: 100).")
  private int rounds;

  @Option(names = "--seed", defaultValue = "20", description = "Default: 20.")
  private long seed;

  private final Queue<String> wrong = new ConcurrentLinkedQueue<>();
  private final Queue<String> photos = new ConcurrentLinkedQueue<>();
  private final Queue<String> readings = new ConcurrentLinkedQueue<>();
  private final AtomicBoolean over = new AtomicBoolean();
  private final Map<String, Integer> kills = new TreeMap<>();
  private final Map<Integer, Child> probes = new HashMap<>();
  private BenchShop bench;

  @Override
  public Integer call() throws Exception {
    Path folder = Files.createTempDirectory("tekmerion-prove-kills");
    long began = System.nanoTime();
    try (BenchShop shop = BenchShop.in(folder.resolve("shop"), "")) {
      bench = shop;
      bench.start();
      ShopClient person = bench.signedIn();
      for (int bay : MACHINES.keySet()) {
        probes.put(bay, bench.probe(bay, MACHINES.get(bay), person.enrolmentCode(bay)));
      }
      String copy = beginCopy(person);
      List<Thread> load =
          List.of(
              new Thread(() -> sendPhotos(bench.signedIn()), "photos"),
              new Thread(() -> askReadings(bench.signedIn()), "readings"));
      load.forEach(Thread::start);
      Random random = new Random(seed);
      for (int round = 1; round <= rounds && wrong.isEmpty(); round++) {
        if (round % 5 == 0) {
          killInTheFirstChange(folder.resolve("first-" + round), random);
        } else {
          Sleep.millis(200 + random.nextInt(2500));
          killOne(random);
        }
        System.out.printf(
            "%4d s: %d kills, %d photos and %d readings acknowledged so far%n",
            (System.nanoTime() - began) / 1_000_000_000, round, photos.size(), readings.size());
      }
      over.set(true);
      for (Thread thread : load) {
        thread.join();
      }
      checkAll(person, copy);
      probes.values().forEach(Child::close);
    }
    Duration took = Duration.ofNanos(System.nanoTime() - began);
    System.out.printf(
        "%s in %d min %d s; %d photos, %d readings and a copy of a drive were acknowledged%n",
        kills, took.toMinutes(), took.toSecondsPart(), photos.size(), readings.size());
    wrong.forEach(w -> System.out.println("WRONG: " + w));
    if (wrong.isEmpty()) {
      WholeFile.deleteFolder(folder);
    } else {
      System.out.println("The logs stay in " + folder);
    }
    System.out.println(wrong.isEmpty() ? "Proved." : wrong.size() + " things went wrong.");
    return wrong.isEmpty() ? 0 : 1;
  }

  private String beginCopy(ShopClient person) {
    String job = jobOf(COPIED_BAY);
    // What is copied counts for the drive that told who it is.
    await(
        "the drive is read",
        () ->
            person.post("/api/jobs/" + job + "/readings", Map.of("partKey", "drive-a")).status()
                == 202);
    await(
        "the reading arrives",
        () ->
            bench
                    .database()
                    .count(
                        "SELECT COUNT(*) FROM reading WHERE probe_id IN (SELECT p.id FROM probe p JOIN bay b ON b.id = p.bay_id WHERE b.number = "
                            + COPIED_BAY
                            + ")")
                > 0);
    await("the drive can be surveyed", () -> start(person, job, "SURVEY") != null);
    String[] copy = new String[1];
    await(
        "the copy begins",
        () -> {
          copy[0] = start(person, job, "RESCUE_IN_USE");
          return copy[0] != null;
        });
    return copy[0];
  }

  /** Its id; null if it cannot be started now. */
  private static String start(ShopClient person, String job, String kind) {
    ShopClient.Answer answer =
        person.post("/api/jobs/%s/parts/drive-a/runs".formatted(job), Map.of("kind", kind));
    return answer.status() == 202 ? answer.body().get("id").stringValue() : null;
  }

  private String jobOf(int bay) {
    return bench
        .database()
        .texts("SELECT j.number FROM bay b JOIN job j ON j.id = b.job_id WHERE b.number = " + bay)
        .get(0);
  }

  private void killOne(Random random) {
    int which = random.nextInt(4);
    switch (which) {
      case 0 -> {
        count("server");
        bench.killServer();
        bench.start();
      }
      case 1 -> {
        count("database");
        bench.killDatabase();
        bench.startDatabase();
      }
      default -> {
        int bay = which == 2 ? COPIED_BAY : READ_BAY;
        count(bay == COPIED_BAY ? "probe that copies" : "probe that reads");
        probes.get(bay).kill();
        probes.put(bay, bench.probe(bay, MACHINES.get(bay), null));
      }
    }
    ShopClient person = new ShopClient(bench.address());
    await("the server answers", () -> person.get("/api/session").status() == 200);
  }

  private void count(String what) {
    kills.merge(what, 1, Integer::sum);
  }

  /** A shop's very first start, killed while it makes its tables; then it must start. */
  private void killInTheFirstChange(Path folder, Random random) throws IOException {
    Home home = Home.find();
    boolean serverDies = random.nextBoolean();
    count(serverDies ? "server in its first change" : "database in the first change");
    MariaDb database = MariaDb.start(folder.resolve("db"));
    try {
      ServerProcess server =
          ServerProcess.launch(home, folder, FreePort.any(), database.environment());
      await(
          "the change begins",
          () ->
              server.child().output().contains("Changing the database")
                  || !server.child().isAlive());
      Sleep.millis(random.nextInt(1500));
      if (serverDies) {
        server.child().kill();
      } else {
        database.kill();
        server.close();
        database = MariaDb.start(folder.resolve("db"));
      }
      ServerProcess again =
          ServerProcess.start(home, folder, FreePort.any(), database.environment());
      if (again.firstSignIn().isEmpty()) {
        wrong.add("a first start after a kill tells no first sign-in");
      }
      again.close();
    } catch (LaunchException e) {
      wrong.add("a first start did not survive: " + e.getMessage());
    } finally {
      database.close();
    }
    WholeFile.deleteFolder(folder);
  }

  /** Both in the files and in the database. */
  private void sendPhotos(ShopClient person) {
    String job = jobOf(READ_BAY);
    for (int n = 0; !over.get(); n++) {
      try {
        ShopClient.Answer answer =
            person.upload("/api/jobs/" + job + "/photos?words=" + n, "image/png", picture(n));
        if (answer.status() == 200) {
          photos.add(answer.body().get("id").stringValue());
        }
      } catch (LaunchException e) {
        // not acknowledged: nothing was promised
      }
      Sleep.millis(150);
    }
  }

  private static byte[] picture(int n) {
    BufferedImage image = new BufferedImage(32, 32, BufferedImage.TYPE_INT_RGB);
    image.setRGB(n % 32, n / 32 % 32, 0xFFFFFF);
    image.setRGB(0, 0, n);
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try {
      ImageIO.write(image, "png", out);
    } catch (IOException e) {
      throw new LaunchException("No picture: " + e.getMessage(), e);
    }
    return out.toByteArray();
  }

  private void askReadings(ShopClient person) {
    String job = jobOf(READ_BAY);
    while (!over.get()) {
      try {
        ShopClient.Answer answer =
            person.post("/api/jobs/" + job + "/readings", Map.of("partKey", "drive-a"));
        if (answer.status() == 202) {
          readings.add(answer.body().get("requestId").stringValue());
        }
      } catch (LaunchException e) {
        // not acknowledged: nothing was promised
      }
      Sleep.millis(400);
    }
  }

  private void checkAll(ShopClient person, String copy) {
    if (!wrong.isEmpty()) {
      return;
    }
    for (String photo : photos) {
      if (person.download("/api/photos/" + photo).isEmpty()) {
        wrong.add("photo %s was acknowledged and is gone".formatted(photo));
      }
    }
    for (String reading : readings) {
      String count = "SELECT COUNT(*) FROM reading WHERE request_id = '" + reading + "'";
      awaitOr(
          "reading %s was acknowledged and never came".formatted(reading),
          PATIENCE,
          () -> bench.database().count(count) == 1);
    }
    awaitOr(
        "the copy did not come to its end: " + person.get("/api/runs/" + copy).body(),
        COPY_PATIENCE,
        () -> ended(person, copy));
    String job = jobOf(COPIED_BAY);
    String verify = start(person, job, "VERIFY_IMAGE");
    awaitOr(
        "the image was not checked", COPY_PATIENCE, () -> verify != null && ended(person, verify));
    JsonNode data = person.get("/api/jobs/" + job + "/parts/drive-a/data").body();
    String finding = data.path("finding").asString("");
    System.out.println("The copy that was killed into: " + finding);
    if (!finding.startsWith("copied and verified")) {
      wrong.add("the image is not verified: " + finding);
    }
  }

  private static boolean ended(ShopClient person, String run) {
    JsonNode view = person.get("/api/runs/" + run).body();
    return view.path("end").asString("").equals("COMPLETE");
  }

  /** Something that holds some time; a server that does not answer does not yet. */
  private interface Held {
    boolean now();
  }

  private static void await(String what, Held held) {
    if (!within(PATIENCE, held)) {
      throw new LaunchException("Waited in vain: " + what);
    }
  }

  private void awaitOr(String failure, Duration patience, Held held) {
    if (!within(patience, held)) {
      wrong.add(failure);
    }
  }

  private static boolean within(Duration patience, Held held) {
    long until = System.nanoTime() + patience.toNanos();
    while (System.nanoTime() < until) {
      try {
        if (held.now()) {
          return true;
        }
      } catch (LaunchException e) {
        // not yet
      }
      Sleep.millis(100);
    }
    return false;
  }
}
