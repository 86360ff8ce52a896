package tekmerion.server;

import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import tekmerion.launch.LinkPeer;
import tekmerion.launch.ShopClient;
import tekmerion.link.BenchLink;
import tekmerion.link.DriveSeen;
import tekmerion.link.LinkEvent;
import tekmerion.link.MachineNote;
import tekmerion.link.RunKind;
import tekmerion.link.RunResult;
import tekmerion.link.ToProbe;
import tekmerion.link.ToServer;
import tools.jackson.databind.JsonNode;

/** A machine in a bay with a peer in the probe's place, taken in anew and out again at the end. */
final class BenchJob implements AutoCloseable {
  final ShopClient ines;
  final String number;
  final LinkPeer peer;
  private long sent;

  /** What is read as "sound-drive" is this one, which no other job has. */
  final DriveSeen drive;

  /** Puts the machine of a new job into a bay; the peer says which drives it has. */
  static BenchJob begin(RunningServer.Shop shop, int bay, String customer, String... keys)
      throws Exception {
    return begin(shop, bay, customer, TestDrive.quay(), keys);
  }

  static BenchJob begin(
      RunningServer.Shop shop, int bay, String customer, DriveSeen drive, String... keys)
      throws Exception {
    ShopClient ines = shop.signedIn();
    String number =
        Talk.begin(shop.signedIn("joao"))
            .of(customer, "Tarnwick", "desk tower " + bay, "It is slow")
            .takeIn();
    BenchJob job = new BenchJob(shop, ines, number, bay, drive);
    job.hello(keys);
    return job;
  }

  private BenchJob(
      RunningServer.Shop shop, ShopClient ines, String number, int bay, DriveSeen drive) {
    this.ines = ines;
    this.drive = drive;
    this.number = number;
    act("/bay", Map.of("bay", bay));
    peer = new LinkPeer(shop.address(), LinkPeer.enrol(ines, bay, UUID.randomUUID()));
  }

  void hello(String... keys) throws Exception {
    List<MachineNote.DriveNote> drives =
        List.of(keys).stream().map(k -> new MachineNote.DriveNote(k, k, "")).toList();
    peer.send(
        new ToServer.Hello(
            BenchLink.PROTOCOL,
            "test",
            new MachineNote("Tarnwick", "desk tower", "", "bench", drives, List.of()),
            sent));
    peer.next(ToProbe.Welcome.class);
  }

  String path() {
    return "/api/jobs/" + number;
  }

  JsonNode view() {
    return ines.get(path()).body();
  }

  long version() {
    return JobVersion.of(ines, path());
  }

  String status() {
    return view().at("/data/status").stringValue();
  }

  ShopClient.Answer act(String what, Map<String, ?> body) {
    return actAs(ines, what, body);
  }

  ShopClient.Answer actAs(ShopClient who, String what, Map<String, ?> body) {
    Map<String, Object> all = new HashMap<>(body);
    all.put("version", version());
    return who.post(path() + what, all);
  }

  void read(String key, String machine) throws Exception {
    boolean own = machine.equals("sound-drive");
    TestDrive.read(ines, number, peer, ++sent, key, machine, own ? drive.serial() : null);
  }

  /** Another drive sits there from now on, or the same still, by its serial. */
  void read(String key, String machine, String serial) throws Exception {
    TestDrive.read(ines, number, peer, ++sent, key, machine, serial);
  }

  ShopClient.Answer decide(String course) {
    return act("/decisions", Map.of("courses", List.of(course), "reason", "as seen"));
  }

  /** Asks for {@link #drive} to be erased, by its right name. */
  ShopClient.Answer erase(String key) {
    return act(
        "/parts/%s/erase".formatted(key),
        Map.of("size", "240 GB", "model", "QUAY-240F", "lastFour", TestDrive.lastFour(drive)));
  }

  /** The lock that keeps a drive from being erased; empty if it was begun. */
  String lockOfErasing(String key) {
    ShopClient.Answer answer = erase(key);
    return answer.status() == 423 ? answer.body().get("lock").stringValue() : "";
  }

  /** What the desk answers a probe that is about to write. */
  ToProbe release(UUID run, DriveSeen drive) throws Exception {
    peer.send(new ToServer.ReleaseAsked(run, "0123456789abcdef".repeat(2), drive));
    return peer.next(ToProbe.class);
  }

  /** A run that comes to its end as it should. */
  void run(String key, RunKind kind, RunResult found, DriveSeen drive) throws Exception {
    ines.post(path() + "/parts/%s/runs".formatted(key), Map.of("kind", kind.name()));
    UUID id = peer.next(ToProbe.StartRun.class).requestId();
    end(id, key, kind, LinkEvent.End.COMPLETE, found, drive);
  }

  void end(UUID id, String key, RunKind kind, LinkEvent.End end, RunResult found, DriveSeen drive)
      throws Exception {
    end(id, key, kind, end, "", found, drive);
  }

  void end(
      UUID id,
      String key,
      RunKind kind,
      LinkEvent.End end,
      String why,
      RunResult found,
      DriveSeen drive)
      throws Exception {
    Instant now = Instant.now();
    peer.send(
        new ToServer.Event(
            ++sent, new LinkEvent.RunEnded(id, key, kind, now, now, end, why, found, drive)));
    peer.next(ToProbe.Acknowledge.class);
  }

  /** Out of its bay, and open still. */
  @Override
  public void close() {
    peer.close();
    Map<String, Object> out = new HashMap<>();
    out.put("bay", null);
    act("/bay", out);
  }
}
