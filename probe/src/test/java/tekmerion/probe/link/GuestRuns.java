package tekmerion.probe.link;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import tekmerion.core.permit.DataStatus;
import tekmerion.core.port.MachineUnderTest;
import tekmerion.link.CopyOrder;
import tekmerion.link.LinkCodec;
import tekmerion.link.LinkEvent;
import tekmerion.link.Release;
import tekmerion.link.RunKind;
import tekmerion.link.ToProbe;
import tekmerion.link.ToServer;
import tekmerion.probe.linux.LinuxMachine;
import tekmerion.probe.outbox.Outbox;
import tools.jackson.databind.json.JsonMapper;

/**
 * Runs of the bench link on the guest's own drives, with a stand-in for the server that gives a
 * release for one drive only. {@code keys} prints the drives, {@code start KIND KEY} a run's
 * number, {@code state ID} what is known of it, {@code stop ID} ends it, {@code release KEY} says
 * for which drive releases are given from now on.
 */
public final class GuestRuns {
  private static final byte[] KEY = Release.key(new byte[32], new UUID(7, 7));
  private static final Path FOLDER = Path.of("/scratch/probe");
  private static final JsonMapper JSON = JsonMapper.builder().build();
  private static final MachineUnderTest MACHINE = new LinuxMachine();
  private static final Map<UUID, ToServer> LATEST = new ConcurrentHashMap<>();
  private static Outbox outbox;
  private static RunHost host;
  private static volatile String released = "";

  private GuestRuns() {}

  public static int run(List<String> words) throws IOException {
    open();
    switch (words.get(0)) {
      case "keys" ->
          System.out.println(
              JSON.writeValueAsString(
                  MACHINE.drives().stream()
                      .collect(
                          Collectors.toMap(
                              d -> "/dev/" + d.device().orElse(""), MachineUnderTest.Drive::key))));
      case "start" -> start(RunKind.valueOf(words.get(1)), words.get(2));
      case "state" -> state(UUID.fromString(words.get(1)));
      case "stop" -> {
        UUID id = UUID.fromString(words.get(1));
        host.accept(new ToProbe.StopRun(id, words.get(3), RunKind.valueOf(words.get(2)), false));
      }
      case "release" -> released = words.get(1);
      default -> throw new IllegalArgumentException(words.get(0));
    }
    return 0;
  }

  private static synchronized void open() throws IOException {
    if (host == null) {
      Files.createDirectories(FOLDER);
      Files.writeString(Path.of("/scratch/tekmerion-copies-here"), "");
      outbox = Outbox.open(FOLDER.resolve("data"));
      outbox.keepIdentity("releaseKey", HexFormat.of().formatHex(KEY));
      host =
          new RunHost(
              MACHINE,
              outbox,
              FOLDER.resolve("data"),
              FOLDER.resolve("copies"),
              Clock.systemUTC(),
              GuestRuns::tell,
              () -> {});
    }
  }

  private static void tell(ToServer message) {
    if (message instanceof ToServer.RunProgress progress) {
      LATEST.put(progress.requestId(), progress);
    } else if (message instanceof ToServer.RunWaits waits) {
      LATEST.put(waits.requestId(), waits);
    } else if (message instanceof ToServer.ReleaseAsked asked) {
      String key =
          MACHINE.drives().stream()
              .filter(d -> WhoIsIt.seen(d).filter(asked.drive()::equals).isPresent())
              .map(MachineUnderTest.Drive::key)
              .findFirst()
              .orElse("");
      if (key.equals(released)) {
        host.accept(
            new ToProbe.ReleaseGiven(
                Release.of(
                    asked.requestId(),
                    RunKind.ERASE,
                    key,
                    asked.drive(),
                    DataStatus.NOT_WANTED,
                    null,
                    asked.nonce(),
                    15_000,
                    KEY)));
      } else {
        host.accept(
            new ToProbe.ReleaseRefused(asked.requestId(), asked.nonce(), "It was not released."));
      }
    }
  }

  private static void start(RunKind kind, String key) {
    UUID id = UUID.randomUUID();
    CopyOrder order = kind.isCopy() ? new CopyOrder("J-2291", null, List.of()) : null;
    DataStatus status = kind == RunKind.ERASE ? DataStatus.NOT_WANTED : DataStatus.WANTED;
    host.accept(new ToProbe.StartRun(id, key, kind, false, status, order));
    System.out.println(id);
  }

  private static void state(UUID id) {
    Map<String, Object> state = new LinkedHashMap<>();
    for (Outbox.Waiting entry : outbox.waiting(1, 1_000)) {
      LinkEvent event = LinkCodec.decode(entry.body(), LinkEvent.class);
      if (event.requestId().equals(id)) {
        state.put("ended", JSON.readTree(entry.body()));
      }
    }
    ToServer latest = LATEST.get(id);
    state.put(
        "waits", latest instanceof ToServer.RunWaits waits && state.isEmpty() ? waits.why() : null);
    state.put("share", latest instanceof ToServer.RunProgress p ? (Double) p.share() : null);
    System.out.println(JSON.writeValueAsString(state));
  }
}
