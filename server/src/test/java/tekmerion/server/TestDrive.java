package tekmerion.server;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.atomic.AtomicInteger;
import tekmerion.core.page.RawPage;
import tekmerion.core.port.MachineUnderTest;
import tekmerion.core.port.PageAnswer;
import tekmerion.core.port.PageKind;
import tekmerion.launch.LinkPeer;
import tekmerion.launch.ShopClient;
import tekmerion.link.DriveSeen;
import tekmerion.link.LinkEvent;
import tekmerion.link.PageNote;
import tekmerion.link.ToProbe;
import tekmerion.link.ToServer;
import tekmerion.sim.SimMachines;

/** Drives that a peer in the probe's place tells of, and what their owners sign. */
final class TestDrive {
  static final long GB_240 = 468_862_128L * 512;

  /** IDEMA LBA1-03 for 1,000 GB. */
  static final DriveSeen HELM = new DriveSeen("HELM-1000S", "OS7K-44019-B", 1_953_525_168L * 512);

  private static final AtomicInteger SERIALS = new AtomicInteger(10_000);

  /** A solid-state drive that no other test has. */
  static DriveSeen quay() {
    return new DriveSeen("QUAY-240F", "Q24F-" + SERIALS.incrementAndGet() + "-K", GB_240);
  }

  /** What is typed from its label. */
  static String lastFour(DriveSeen drive) {
    return drive.serial().substring(drive.serial().length() - 4);
  }

  /** As long as somebody's real name in ink. */
  static final String DRAWN = "M10 10 L20 40 L30 12 L44 60 L70 20 L90 55 L120 30 ";

  private TestDrive() {}

  private static MachineUnderTest.Drive of(String machine) {
    return new SimMachines().open("sim:" + machine + ",0").orElseThrow().drives().get(0);
  }

  /**
   * A drive of its own serial, so that no other job has it: ATA words 10 to 19, two characters each
   * the other way round, and the checksum of the page (ACS-4, 7.12.7).
   */
  private static byte[] withSerial(byte[] identify, String serial) {
    byte[] page = identify.clone();
    String padded = String.format(Locale.ROOT, "%-20s", serial);
    for (int i = 0; i < 20; i++) {
      page[20 + (i ^ 1)] = (byte) padded.charAt(i);
    }
    int sum = 0;
    for (int i = 0; i < 511; i++) {
      sum += page[i];
    }
    page[511] = (byte) -sum;
    return page;
  }

  private static PageNote page(MachineUnderTest.Drive drive, PageKind kind, String serial) {
    PageAnswer answer = drive.pages().read(kind);
    return kind == PageKind.ATA_IDENTIFY && serial != null && answer instanceof PageAnswer.Got got
        ? PageNote.of(kind, new PageAnswer.Got(new RawPage(withSerial(got.raw().bytes(), serial))))
        : PageNote.of(kind, answer);
  }

  /**
   * The peer is asked to read a place, and answers as the drive of a simulated machine would.
   *
   * @param serial another than the machine's; null for its own
   */
  static void read(
      ShopClient by,
      String job,
      LinkPeer peer,
      long number,
      String key,
      String machine,
      String serial)
      throws Exception {
    by.post("/api/jobs/%s/readings".formatted(job), Map.of("partKey", key));
    ToProbe.ReadPart asked = peer.next(ToProbe.ReadPart.class);
    MachineUnderTest.Drive drive = of(machine);
    peer.send(
        new ToServer.Event(
            number,
            new LinkEvent.PartRead(
                asked.requestId(),
                UUID.randomUUID(),
                key,
                Instant.now(),
                drive.pages().kinds().stream().map(k -> page(drive, k, serial)).toList())));
    peer.next(ToProbe.Acknowledge.class);
  }

  static Map<String, Object> drive(String key, String scope, List<?> holdings) {
    return Map.of("partKey", key, "scope", scope, "holdings", holdings);
  }

  /** The customer signs on the screen for all data on the drives in these places. */
  static ShopClient.Answer signAway(ShopClient by, String job, String signer, String... keys) {
    List<Map<String, Object>> drives = new ArrayList<>();
    for (String key : keys) {
      drives.add(drive(key, "ALL_DATA", List.of()));
    }
    return sign(by, job, signer, DRAWN, drives);
  }

  static ShopClient.Answer sign(
      ShopClient by, String job, String signer, String drawn, List<Map<String, Object>> drives) {
    Map<String, Object> body = new HashMap<>();
    body.put("version", JobVersion.of(by, "/api/jobs/" + job));
    body.put("signer", signer);
    body.put("signature", drawn);
    body.put("drives", drives);
    return by.post("/api/jobs/%s/waivers".formatted(job), body);
  }
}
