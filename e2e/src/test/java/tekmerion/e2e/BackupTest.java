package tekmerion.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tekmerion.launch.FreePort;
import tekmerion.launch.MariaDb;
import tekmerion.launch.ServerProcess;
import tekmerion.launch.ShopClient;

/** A shop is written to a file while it works, and is the same shop when it comes back. */
class BackupTest {
  @TempDir private static Path folder;
  private static Whole whole;
  private static Path passphrase;

  private record Said(int code, String words) {}

  @BeforeAll
  static void start() throws IOException {
    whole = new Whole();
    passphrase = Files.writeString(folder.resolve("passphrase"), "quay 7, low water\n");
  }

  @AfterAll
  static void stop() {
    whole.close();
  }

  private static Process command(List<String> words) throws IOException {
    List<String> all = new ArrayList<>(List.of("./tekmerion"));
    all.addAll(words);
    ProcessBuilder builder =
        new ProcessBuilder(all).directory(whole.home().root().toFile()).redirectErrorStream(true);
    builder.environment().put("TEKMERION_AS_BUILT", "1"); // by whatever runs this test
    return builder.start();
  }

  private static Said run(String... words) throws Exception {
    Process process = command(List.of(words));
    String said = new String(process.getInputStream().readAllBytes());
    return new Said(process.waitFor(), said);
  }

  private static Path backUp(String name) throws Exception {
    Path file = folder.resolve(name);
    Said said =
        run(
            "backup",
            "--data=" + whole.folder(),
            "--out=" + file,
            "--passphrase-file=" + passphrase);
    assertThat(said.code()).as(said.words()).isZero();
    return file;
  }

  private static Said check(Path file) throws Exception {
    return run("check", file.toString(), "--passphrase-file=" + passphrase);
  }

  @Test
  void itIsWrittenWhilePeopleWorkAndIsTheSameShopElsewhere() throws Exception {
    ShopClient ines = whole.signedIn();
    AtomicBoolean over = new AtomicBoolean();
    AtomicInteger worked = new AtomicInteger();
    Thread work =
        new Thread(
            () -> {
              for (int i = 0; !over.get(); i++) {
                String language = i % 2 == 0 ? "NB" : "EN";
                if (ines.put("/api/me/language", Map.of("language", language)).status() == 204) {
                  worked.incrementAndGet();
                }
              }
            });
    work.start();
    Path file;
    try {
      file = backUp("busy.backup");
    } finally {
      over.set(true);
      work.join();
    }
    assertThat(worked).hasPositiveValue();
    Said good = check(file);
    assertThat(good.code()).as(good.words()).isZero();
    assertThat(good.words()).startsWith("Good.");

    Path elsewhere = folder.resolve("else where");
    Said restored =
        run("restore", file.toString(), "--data=" + elsewhere, "--passphrase-file=" + passphrase);
    assertThat(restored.code()).as(restored.words()).isZero();
    Said twice =
        run("restore", file.toString(), "--data=" + elsewhere, "--passphrase-file=" + passphrase);
    assertThat(twice.code()).isEqualTo(1);
    assertThat(twice.words()).contains("nothing is written over");

    assertThat(filesIn(elsewhere)).containsExactlyInAnyOrderElementsOf(filesIn(whole.folder()));
    try (MariaDb database = MariaDb.startForTests(elsewhere.resolve("db"), FreePort.any())) {
      Map<String, String> environment = new HashMap<>(database.environment());
      environment.put("TEKMERION_DEMO", "true");
      environment.put("TEKMERION_DEMO_PASSWORD", Whole.PASSWORD);
      try (ServerProcess server =
          ServerProcess.start(whole.home(), elsewhere, FreePort.any(), environment)) {
        ShopClient there = new ShopClient(server.address());
        assertThat(there.signIn(Whole.PERSON, Whole.PASSWORD).status()).isEqualTo(200);
        ShopClient here = whole.signedIn();
        // It is in use again, not only readable; and both speak English.
        for (ShopClient each : List.of(here, there)) {
          assertThat(each.put("/api/me/language", Map.of("language", "EN")).status())
              .isEqualTo(204);
        }
        for (String path :
            List.of(
                "/api/jobs/J-2291/aspects?of=CASE,CUSTODY,EVIDENCE,DIAGNOSIS,HISTORY",
                "/api/stock")) {
          assertThat(there.get(path).status()).as(path).isEqualTo(200);
          assertThat(there.get(path).body()).as(path).isEqualTo(here.get(path).body());
        }
      }
    }
  }

  /** Keys, photos and what else stands beside the database. */
  private static List<String> filesIn(Path shop) throws IOException {
    List<String> all = new ArrayList<>();
    for (String kept : List.of("files", "keys")) {
      try (Stream<Path> files = Files.walk(shop.resolve(kept))) {
        for (Path file : files.filter(Files::isRegularFile).toList()) {
          all.add(shop.relativize(file) + " " + Arrays.hashCode(Files.readAllBytes(file)));
        }
      }
    }
    return all;
  }

  @Test
  @Tag("nightly")
  void whatIsDamagedIsSaidAndNothingIsMadeOfIt() throws Exception {
    Path file = backUp("whole.backup");
    byte[] bytes = Files.readAllBytes(file);
    bytes[bytes.length / 2] ^= 1;
    Path flipped = Files.write(folder.resolve("flipped.backup"), bytes);
    bytes[bytes.length / 2] ^= 1;
    Path cut =
        Files.write(folder.resolve("cut.backup"), Arrays.copyOf(bytes, bytes.length * 3 / 4));
    Path other = Files.writeString(folder.resolve("other"), "quay 7, high water\n");
    Path place = folder.resolve("damaged");

    for (Path damaged : List.of(flipped, cut)) {
      Said said = check(damaged);
      assertThat(said.code()).isEqualTo(1);
      assertThat(said.words()).contains("The backup is damaged");
      Said restored =
          run("restore", damaged.toString(), "--data=" + place, "--passphrase-file=" + passphrase);
      assertThat(restored.code()).isEqualTo(1);
      assertThat(restored.words()).contains("Nothing was restored");
      assertThat(place).doesNotExist();
    }
    Said wrong = run("check", file.toString(), "--passphrase-file=" + other);
    assertThat(wrong.code()).isEqualTo(1);
    assertThat(wrong.words()).contains("this is not its passphrase");
    Said nobodys = check(passphrase);
    assertThat(nobodys.code()).isEqualTo(1);
    assertThat(nobodys.words()).contains("not a backup of Tekmerion");
  }

  @Test
  @Tag("nightly")
  void killedAtAnyMomentItLeavesTheLastGoodOne() throws Exception {
    Path good = backUp("good.backup");
    for (int tenths : new int[] {8, 14, 20, 30}) {
      Path next = folder.resolve("killed-%d.backup".formatted(tenths));
      Process process =
          command(
              List.of(
                  "backup",
                  "--data=" + whole.folder(),
                  "--out=" + next,
                  "--passphrase-file=" + passphrase));
      Thread.sleep(100L * tenths);
      process.descendants().forEach(ProcessHandle::destroyForcibly);
      process.destroyForcibly().waitFor();

      if (Files.exists(next)) { // it was quicker
        assertThat(check(next).code()).isZero();
      }
    }
    assertThat(check(good).code()).isZero();
  }
}
