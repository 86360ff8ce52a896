package tekmerion.probe.link;

import com.sun.nio.file.ExtendedOpenOption;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.Clock;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.stream.Collectors;
import tekmerion.core.drive.PageDecoder;
import tekmerion.core.page.DecodedPage;
import tekmerion.core.permit.DataStatus;
import tekmerion.core.port.MachineUnderTest;
import tekmerion.core.port.PageAnswer;
import tekmerion.core.port.PageKind;
import tekmerion.core.port.PageSource;
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
 * for which drive releases are given from now on. {@code off} ends the probe in the middle of what
 * it does, {@code on} starts it again, and what was asked for is asked for again, as a server does.
 * {@code part board|battery} prints the machine's other pages, {@code plain DEVICE} how fast plain
 * direct reads of it are [bytes/s].
 */
public final class GuestRuns {
  private static final byte[] KEY = Release.key(new byte[32], new UUID(7, 7));
  private static final long LAST_WORDS_MS = 3_000;
  private static final Path FOLDER = Path.of("/scratch/probe");
  private static final JsonMapper JSON = JsonMapper.builder().build();
  private static final MachineUnderTest MACHINE = new LinuxMachine();
  private static final Map<UUID, ToServer> LATEST = new ConcurrentHashMap<>();
  private static final List<ToProbe.StartRun> STARTED = new CopyOnWriteArrayList<>();
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
      case "off" -> off();
      case "on" -> on();
      case "part" -> part(words.get(1));
      case "plain" -> System.out.println(plain(words.get(1)));
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

  private static synchronized void off() throws IOException {
    host.close();
    try {
      Thread.sleep(LAST_WORDS_MS);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
    host = null;
    outbox.close();
  }

  private static void on() throws IOException {
    open();
    STARTED.forEach(host::accept);
  }

  private static void part(String key) {
    PageSource pages =
        key.equals(RunKind.BOARD)
            ? MACHINE.board().orElseThrow().pages()
            : MACHINE.battery().orElseThrow().pages();
    Map<String, Object> json = new LinkedHashMap<>();
    for (PageKind kind : pages.kinds()) {
      PageAnswer answer = pages.read(kind);
      json.put(
          kind.wireName(),
          answer instanceof PageAnswer.Got got
              ? PageDecoder.decode(kind, got.raw())
                  .decoded()
                  .<Object>map(DecodedPage::json)
                  .orElse("cannot be decoded")
              : answer.toString());
    }
    System.out.println(JSON.writeValueAsString(json));
  }

  /** With nothing but the language's own means, in blocks of a mebibyte. */
  private static long plain(String device) throws IOException {
    int block = 1 << 20;
    ByteBuffer buffer = ByteBuffer.allocateDirect(2 * block).alignedSlice(4_096).limit(block);
    long began = System.nanoTime();
    long bytes = 0;
    try (FileChannel in =
        FileChannel.open(Path.of(device), StandardOpenOption.READ, ExtendedOpenOption.DIRECT)) {
      for (int n = in.read(buffer.clear().limit(block));
          n > 0;
          n = in.read(buffer.clear().limit(block))) {
        bytes += n;
      }
    }
    return (long) (bytes / ((System.nanoTime() - began) / 1e9));
  }

  private static void start(RunKind kind, String key) {
    UUID id = UUID.randomUUID();
    CopyOrder order = kind.usesCopies() ? new CopyOrder("J-2291", null, List.of()) : null;
    DataStatus status = kind == RunKind.ERASE ? DataStatus.NOT_WANTED : DataStatus.WANTED;
    ToProbe.StartRun start = new ToProbe.StartRun(id, key, kind, false, status, order);
    STARTED.add(start);
    host.accept(start);
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
