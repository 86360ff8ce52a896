package tekmerion.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.RandomAccessFile;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import tekmerion.e2e.StickMachine.Firmware;
import tekmerion.launch.Home;
import tekmerion.launch.ShopClient;
import tekmerion.launch.stick.Stick;
import tekmerion.launch.stick.StickShop;
import tekmerion.link.stick.StickKey;
import tekmerion.link.stick.StickStore;
import tekmerion.link.tls.Fingerprint;

/** The very image starts emulated machines, and changes no byte of what is in them. */
@EnabledIfSystemProperty(named = "tekmerion.stick", matches = "true")
class StickTest {
  private static final String SCREEN = "Drives are read-only until";
  private static final Duration START = Duration.ofMinutes(8);
  private static final Duration WORK = Duration.ofMinutes(4);
  private static final int BAY = 2;
  private static final int DISK_MIB = 64;
  private static final List<Integer> BAD = List.of(20_480, 20_481, 90_000);

  @TempDir static Path folder;
  private static Path stick;

  @BeforeAll
  static void build() throws IOException {
    stick = make("stick.img", new StickShop(List.of(), Optional.empty(), Optional.empty(), "en"));
    System.out.printf("stick: %,d bytes%n", Files.size(stick));
  }

  private static Path make(String name, StickShop shop) throws IOException {
    Path home = Home.find().root();
    Path image = folder.resolve(name);
    Stick.make(
        home.resolve(".tekmerion/stick"),
        List.of(home.resolve("probe/target/lib"), home.resolve("probe/target")),
        shop,
        image);
    return image;
  }

  /** A program of Debian's, run to its end. */
  private static String run(Path in, String... command) {
    return run(in, null, List.of(command));
  }

  private static String run(Path in, Path input, List<String> command) {
    try {
      ProcessBuilder builder =
          new ProcessBuilder(command).directory(in.toFile()).redirectErrorStream(true);
      builder.environment().put("PATH", "/usr/sbin:/usr/bin:/sbin:/bin");
      builder.redirectInput(input == null ? Path.of("/dev/null").toFile() : input.toFile());
      Process process = builder.start();
      String said = new String(process.getInputStream().readAllBytes());
      assertThat(process.waitFor()).as("%s: %s", command, said).isZero();
      return said;
    } catch (IOException | InterruptedException e) {
      throw new AssertionError(command.toString(), e);
    }
  }

  /**
   * A disk with a journal that wants to be replayed and, behind it, memory put to sleep: a system
   * that mounts it or goes on from it would write.
   */
  private static Path disk(Path in, String name) throws IOException {
    Path disk = in.resolve(name + ".img");
    run(in, "truncate", "-s", DISK_MIB + "M", disk.toString());
    Path table = Files.writeString(in.resolve("table"), "label: gpt\nsize=40M\nsize=20M\n");
    run(in, table, List.of("sfdisk", "--quiet", disk.toString()));
    Path papers = in.resolve(name + ".ext4");
    run(in, "truncate", "-s", "40M", papers.toString());
    run(in, "mke2fs", "-q", "-t", "ext4", "-O", "^metadata_csum", papers.toString());
    try (RandomAccessFile file = new RandomAccessFile(papers.toFile(), "rw")) {
      file.seek(1024 + 0x60); // s_feature_incompat; 4 is RECOVER: the journal is to be replayed
      int features = file.read();
      file.seek(1024 + 0x60);
      file.write(features | 4);
    }
    Path sleep = in.resolve(name + ".swap");
    run(in, "truncate", "-s", "20M", sleep.toString());
    run(in, "mkswap", sleep.toString());
    try (RandomAccessFile file = new RandomAccessFile(sleep.toFile(), "rw")) {
      file.seek(4096 - 10);
      file.writeBytes("S1SUSPEND\0"); // in the place of SWAPSPACE2: a system that sleeps
    }
    run(in, "dd", "if=" + papers, "of=" + disk, "bs=1M", "seek=1", "conv=notrunc", "status=none");
    run(in, "dd", "if=" + sleep, "of=" + disk, "bs=1M", "seek=41", "conv=notrunc", "status=none");
    return disk;
  }

  /** Reads of these sectors fail. */
  private static List<String> drives(Path sata, Path nvme) {
    List<String> errors = new ArrayList<>();
    for (int i = 0; i < BAD.size(); i++) {
      String at = "file.inject-error." + i + ".";
      errors.add(
          "%sevent=none,%siotype=read,%serrno=5,%sonce=off,%ssector=%d"
              .formatted(at, at, at, at, at, BAD.get(i)));
    }
    return List.of(
        "-drive",
        "if=none,id=sata,format=raw,file.driver=blkdebug,file.image.driver=file,file.image.filename="
            + sata
            + ","
            + String.join(",", errors),
        "-device",
        "ide-hd,drive=sata,serial=OS7K-0001,bus=ide.0",
        "-drive",
        "if=none,id=nvme,format=raw,file=" + nvme,
        "-device",
        "nvme,drive=nvme,serial=NV-0002");
  }

  private static List<String> hashes(List<Path> files) {
    return files.stream()
        .map(file -> run(folder, "sha256sum", file.toString()).split(" ")[0])
        .toList();
  }

  @ParameterizedTest
  @EnumSource(Firmware.class)
  void startsReadsAndChangesNothing(Firmware firmware) throws Exception {
    Path own = Files.createDirectories(folder.resolve(firmware.name()));
    List<Path> disks = List.of(disk(own, "sata"), disk(own, "nvme"));
    List<String> before = hashes(disks);
    Instant on = Instant.now();
    List<String> more = new ArrayList<>(drives(disks.get(0), disks.get(1)));
    more.addAll(List.of("-nic", "none"));
    try (StickMachine machine = StickMachine.start(own, firmware, stick, more)) {
      machine.await("the screen", START, s -> s.contains(SCREEN));
      System.out.printf(
          "%s: the probe's screen after %d s%n",
          firmware, Duration.between(on, Instant.now()).toSeconds());
      machine.await("all of it", WORK, s -> s.contains("OS7K-0001") && s.contains("0  Switch off"));
      String screen = machine.screen();
      assertThat(screen)
          .contains("Ostrel 17-L4", "OS-4411", "NV-0002", "This stick knows no server.");
      assertThat(screen).doesNotContain("USB"); // the stick itself is no drive of the machine

      scan(machine);
      machine.press("5");
      machine.await("the march", WORK, s -> s.contains("Memory test: ") && s.contains(" %"));
      machine.press("9");
      machine.await(
          "its end", WORK, s -> s.contains("Memory test: ") && s.contains("ended by hand"));
      off(machine);
    }
    assertThat(hashes(disks)).isEqualTo(before);
  }

  /** By keys; what is found stands on the screen. */
  private static void scan(StickMachine machine) throws IOException {
    machine.await("the drives", WORK, s -> s.contains("OS7K-0001"));
    int sata =
        machine
            .screen()
            .lines()
            .filter(l -> l.contains("OS7K-0001"))
            .findFirst()
            .orElseThrow()
            .charAt(6);
    machine.press("2");
    machine.await("the question", WORK, s -> s.contains("Which drive?"));
    machine.press(Character.toString(sata));
    machine.await("the scan", WORK, s -> s.contains("sectors unreadable") && s.contains("100 %"));
    assertThat(machine.screen()).contains("OS7K-0001: %d sectors unreadable".formatted(BAD.size()));
  }

  private static void off(StickMachine machine) throws Exception {
    machine.press("0");
    machine.await("the question", WORK, s -> s.contains("0 again: yes."));
    machine.press("0");
    assertThat(machine.isOff(WORK)).isTrue();
  }

  /** The image is the same for the same parts, so that somebody else can make it and compare. */
  @Test
  void theSamePartsGiveTheSameBytes() throws IOException {
    Path again =
        make("again.img", new StickShop(List.of(), Optional.empty(), Optional.empty(), "en"));

    assertThat(Files.mismatch(stick, again)).isEqualTo(-1);
  }

  /** With secure boot a kernel that Debian has not signed does not start. */
  @Test
  void aKernelThatWasChangedDoesNotStartSecurely() throws Exception {
    Path changed = folder.resolve("changed.img");
    Files.copy(stick, changed);
    Path kernel = folder.resolve("kernel");
    String efi = changed + "@@" + 4096L * 512;
    run(folder, "mcopy", "-i", efi, "::tekmerion/kernel", kernel.toString());
    try (RandomAccessFile file = new RandomAccessFile(kernel.toFile(), "rw")) {
      file.seek(file.length() / 2);
      int was = file.read();
      file.seek(file.length() / 2);
      file.write(was ^ 1);
    }
    run(folder, "mcopy", "-i", efi, "-o", kernel.toString(), "::tekmerion/kernel");
    Path own = Files.createDirectories(folder.resolve("changed"));
    try (StickMachine machine =
        StickMachine.start(own, Firmware.UEFI_SECURE, changed, List.of("-nic", "none"))) {
      machine.await("the refusal", START, s -> s.contains("bad shim signature"));
      assertThat(machine.all()).doesNotContain(SCREEN);
    }
  }

  /**
   * Let in by a browser over TLS, after the digits of its screen were typed; a drive is read and
   * scanned, and exactly the sectors that cannot be read are found. Nothing on it is changed. A
   * stick of another authority says so, and nobody hears it knock.
   */
  @Test
  void isLetInAndWorkedWithOverTheNetwork() throws Exception {
    try (ShopOnTls shop = ShopOnTls.start(folder.resolve("shop"), "10.0.2.2")) {
      URI address = URI.create("https://10.0.2.2:" + shop.address().getPort());
      Path own = Files.createDirectories(folder.resolve("linked"));
      List<Path> disks = List.of(disk(own, "sata"), disk(own, "nvme"));
      List<String> before = hashes(disks);
      List<String> more = new ArrayList<>(drives(disks.get(0), disks.get(1)));
      more.addAll(List.of("-nic", "user,model=e1000e"));

      Fingerprint another = new Fingerprint("ab".repeat(32));
      Path wrong =
          make(
              "wrong.img",
              new StickShop(List.of(address), Optional.of(another), Optional.empty(), "en"));
      Path elsewhere = Files.createDirectories(folder.resolve("elsewhere"));
      try (StickMachine machine = StickMachine.start(elsewhere, Firmware.UEFI, wrong, more)) {
        machine.await("the refusal", START, s -> s.contains("not the server of the shop"));
        assertThat(shop.client().get("/api/knocks").body()).isEmpty();
      }

      Optional<StickKey> key = keyOf(shop);
      Path right =
          make(
              "linked.img",
              new StickShop(List.of(address), Optional.of(shop.authority()), key, "en"));
      try (StickMachine machine = StickMachine.start(own, Firmware.UEFI, right, more)) {
        machine.await("the knock", START, s -> s.contains("Let it in there with"));
        letIn(shop, machine);
        machine.await("the link", WORK, s -> s.contains("On the bench link, in bay " + BAY));
        assertThat(scanned(shop.client())).isEqualTo("%d sectors unreadable".formatted(BAD.size()));
      }
      assertThat(hashes(disks)).isEqualTo(before);
    }
  }

  /**
   * Without a network: read, scanned and saved by keys, the stick taken to the shop and its file
   * taken into a job by a browser. Nothing of it can be read from the stick by anybody else, its
   * system is the same byte by byte, and the drives are.
   */
  @Test
  void worksWithoutANetworkAndIsTakenInLater() throws Exception {
    try (ShopOnTls shop = ShopOnTls.start(folder.resolve("later"), "10.0.2.2")) {
      Optional<StickKey> key = keyOf(shop);
      Path image = make("kept.img", new StickShop(List.of(), Optional.empty(), key, "en"));
      Path fresh = Files.copy(image, folder.resolve("fresh.img"));
      Path own = Files.createDirectories(folder.resolve("away"));
      List<Path> disks = List.of(disk(own, "sata"), disk(own, "nvme"));
      List<String> before = hashes(disks);
      List<String> more = new ArrayList<>(drives(disks.get(0), disks.get(1)));
      more.addAll(List.of("-nic", "none"));
      try (StickMachine machine = StickMachine.start(own, Firmware.UEFI, image, true, more)) {
        machine.await("the screen", START, s -> s.contains("6  Save on the stick"));
        scan(machine);
        machine.press("6");
        machine.await("the saving", WORK, s -> s.contains("All of it is on the stick."));
        assertThat(machine.screen()).contains("4 readings, 1 run."); // two drives, board, no more
        off(machine);
      }
      assertThat(hashes(disks)).isEqualTo(before);

      Path file = folder.resolve("kept.tek");
      String partition = image + "@@" + 4096L * 512;
      run(folder, "mcopy", "-i", partition, "::kept.tek", file.toString());
      assertThat(Files.readString(file, StandardCharsets.ISO_8859_1))
          .doesNotContain("OS7K", "Ostrel", "OS-4411");
      sameButForTheStore(fresh, image, file);
      takenIn(shop, file);
      assertThat(shop.client().get("/api/jobs/J-2294/parts/OS7K-0001").body().get("finding"))
          .hasToString("\"%d sectors unreadable\"".formatted(BAD.size()));
    }
  }

  /** Nothing of the stick was written to but its store. */
  private static void sameButForTheStore(Path fresh, Path used, Path store) throws IOException {
    long length = Files.size(store);
    try (RandomAccessFile before = new RandomAccessFile(fresh.toFile(), "r");
        RandomAccessFile after = new RandomAccessFile(used.toFile(), "r")) {
      byte[] was = new byte[1 << 20];
      byte[] is = new byte[1 << 20];
      long first = -1;
      long last = -1;
      for (long at = 0; at < before.length(); at += was.length) {
        int n = (int) Math.min(was.length, before.length() - at);
        before.readFully(was, 0, n);
        after.readFully(is, 0, n);
        for (int i = 0; i < n; i++) {
          if (was[i] != is[i]) {
            first = first < 0 ? at + i : first;
            last = at + i;
          }
        }
      }
      assertThat(after.length()).isEqualTo(before.length());
      byte[] head = new byte[StickStore.SECTOR];
      long begin = first / StickStore.SECTOR * StickStore.SECTOR - StickStore.SECTOR;
      after.seek(begin);
      after.readFully(head);
      assertThat(StickStore.Head.of(head).orElseThrow().at()).isEqualTo(begin);
      assertThat(last).isBetween(first, begin + length - 1);
    }
  }

  private static Optional<StickKey> keyOf(ShopOnTls shop) {
    return Optional.of(
        StickKey.parse(shop.client().get("/api/stick").body().get("key").stringValue()));
  }

  private static void takenIn(ShopOnTls shop, Path file) throws Exception {
    List<String> trusting = List.of("--ignore-certificate-errors");
    try (Browser browser = new Browser(Home.find(), shop.address(), trusting)) {
      browser.open("/stick");
      browser.signIn("ines", ShopOnTls.PASSWORD);
      browser.seeText("Take in what a stick kept");
      browser.giveFile(file);
      browser.seeText("Ostrel 17-L4, OS-4411");
      browser.seeText("3 sectors unreadable");
      browser.choose("Its job", "J-2294 · Tarnwick all-in-one 24");
      browser.press("Take into J-2294");
      browser.seeText("All of it is in");
    }
  }

  private static void letIn(ShopOnTls shop, StickMachine machine) throws Exception {
    // The browser is told of the authority by its keeper, not here.
    List<String> trusting = List.of("--ignore-certificate-errors");
    try (Browser browser = new Browser(Home.find(), shop.address(), trusting)) {
      browser.open("/");
      browser.signIn("ines", ShopOnTls.PASSWORD);
      browser.seeText("A machine knocks: Ostrel 17-L4, serial OS-4411");
      browser.press("Let it in");
      browser.see(By.name("digits")).sendKeys(Knocks.digitsIn(machine.screen()));
      browser.choose("Bay it stands in", "Bay %d, J-2294, Tarnwick all-in-one 24".formatted(BAY));
      browser.see(By.name("digits")).sendKeys(Keys.ENTER);
      Await.until("it is let in", () -> !browser.hasText("A machine knocks"));
    }
  }

  /** Reads the drive's surface and gives what its view says of it. */
  private static String scanned(ShopClient ines) throws Exception {
    String job = "/api/jobs/J-2294";
    String drive = job + "/parts/OS7K-0001";
    Map<String, Object> which = Map.of("partKey", "OS7K-0001");
    assertThat(ines.post(job + "/readings", which).status()).isEqualTo(202);
    Await.until("it was read", () -> ines.get(drive).status() == 200);
    ShopClient.Answer begun = ines.post(drive + "/runs", Map.of("kind", "SURFACE_SCAN"));
    assertThat(begun.status()).as("%s", begun.body()).isEqualTo(202);
    Await.until(
        "it is scanned",
        () -> ines.get(drive).body().at("/runs/0/end").asString("").equals("COMPLETE"));
    return ines.get(drive).body().get("finding").stringValue();
  }
}
