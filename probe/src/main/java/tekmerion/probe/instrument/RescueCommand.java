package tekmerion.probe.instrument;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tekmerion.core.files.InUse;
import tekmerion.core.port.ReadEndedException;
import tekmerion.core.rescue.KeptRescue;
import tekmerion.core.rescue.RescueCheck;
import tekmerion.core.rescue.RescueImage;
import tekmerion.core.rescue.RescueMap;
import tekmerion.core.rescue.State;
import tekmerion.probe.copy.ImageFile;
import tekmerion.probe.copy.Room;
import tekmerion.probe.copy.ShopsOwn;
import tekmerion.probe.copy.SourceIsNot;
import tekmerion.probe.linux.LocalDrives;
import tekmerion.probe.linux.RawFile;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** Images a source that errs. The map's format is in docs/formats.md. */
@Command(
    name = "rescue",
    description = {
      "Copy what can still be read of SOURCE into the image DEST, easy parts first. SOURCE is only read.",
      "Goes on where it stopped if the map is there. Prints one JSON object.",
      "Exit 0 if all was read, 1 if sectors are lost, 2 if it could not run, 3 if the source gave",
      "nothing more before the end: start it again when it is back."
    },
    mixinStandardHelpOptions = true)
public final class RescueCommand implements Callable<Integer> {
  private static final int LOST = 1;
  private static final int STOPPED = 3;
  private static final JsonMapper JSON =
      JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT).build();

  @Parameters(index = "0", paramLabel = "SOURCE")
  private Path from;

  @Parameters(index = "1", paramLabel = "DEST", description = "An image file, never a device.")
  private Path to;

  @Option(names = "--map", required = true, paramLabel = "FILE", description = "What is known.")
  private Path mapFile;

  @Option(
      names = "--retries",
      defaultValue = "1",
      description = "How often lost sectors are tried again. Default: 1.")
  private int retries;

  @Option(
      names = "--in-use",
      description = "Only what the volumes' own structures say is in use; refused if they do not.")
  private boolean inUse;

  @Option(
      names = "--again",
      description = "Try every sector again that did not come until now, each of them alone.")
  private boolean again;

  @Option(
      names = "--verify",
      description = "At the end read the image again and compare it with what was read.")
  private boolean verify;

  @Override
  public Integer call() throws IOException {
    Input.within("--retries", retries, 0, 100);
    try (RawFile source = RawFile.direct(from)) {
      checkDestination(source.sizeBytes());
      Map<String, Object> json = new LinkedHashMap<>();
      boolean whole;
      try (ImageFile image = ImageFile.open(to, mapFile, source.sizeBytes())) {
        RescueMap map = image.kept().map();
        want(source, map);
        Optional<ReadEndedException> ended = copy(source, map, image);
        put(json, map);
        ended.ifPresent(e -> json.put("ended", e.getMessage()));
        if (ended.isPresent()) {
          System.out.println(JSON.writeValueAsString(json));
          return STOPPED;
        }
        whole = map.bytes(State.READ) + map.bytes(State.LATER) == map.size();
      }
      if (verify) {
        whole &= check(json);
      }
      System.out.println(JSON.writeValueAsString(json));
      return whole ? 0 : LOST;
    }
  }

  /** What ended it before its end, which says nothing about what was not read; empty if nothing. */
  private Optional<ReadEndedException> copy(RawFile source, RescueMap map, ImageFile image) {
    try {
      if (again) {
        map.tryLostAgain();
      }
      new RescueImage(source, map, image, Thread::interrupted).run(retries);
      return Optional.empty();
    } catch (ReadEndedException e) {
      return Optional.of(e);
    } finally {
      image.now();
    }
  }

  /** Everything, or at first only what is in use; what was read stays read. */
  private void want(RawFile source, RescueMap map) {
    if (!inUse) {
      map.change(State.LATER, State.UNTRIED);
    } else if (map.bytes(State.UNTRIED) == map.size()) {
      InUse known = InUse.of(source);
      if (!known.known()) {
        throw new IllegalArgumentException(
            "what is in use cannot be told of every volume: copy it without --in-use");
      }
      known.ranges().stretches().forEach(r -> map.set(r.from(), r.to(), r.state()));
    }
  }

  private boolean check(Map<String, Object> json) throws IOException {
    KeptRescue kept = KeptRescue.parse(Files.readString(mapFile));
    try (RawFile image = RawFile.open(to)) {
      RescueCheck.Checked checked =
          RescueCheck.run(kept, image, done -> {}, () -> false).orElseThrow();
      json.put(
          "verified",
          Map.of(
              "agrees", checked.agrees(),
              "checkedBytes", checked.checkedBytes(),
              "differingZones", checked.differingZones(),
              "zoneBytes", checked.zoneBytes(),
              "sums", kept.sums().whole()));
      return checked.agrees();
    }
  }

  /**
   * Never the source itself, never a device, never a customer's disk, never more than there is room
   * for.
   */
  private void checkDestination(long bytes) throws IOException {
    Path folder = to.toAbsolutePath().getParent();
    if (Files.exists(to)) {
      if (Files.isSameFile(from, to)) {
        throw new IllegalArgumentException("the destination is the source");
      }
      if (!Files.isRegularFile(to)) {
        throw new IllegalArgumentException("the destination is no image file");
      }
    }
    SourceIsNot.under(from.getFileName().toString(), folder);
    ShopsOwn.mustHold(folder, LocalDrives.list());
    Room.check(folder, bytes - (Files.exists(to) ? Files.size(to) : 0));
  }

  private static void put(Map<String, Object> json, RescueMap map) {
    json.put("sizeBytes", map.size());
    json.put("readBytes", map.bytes(State.READ));
    json.put("lostBytes", map.lostBytes());
    json.put("unansweredBytes", map.bytes(State.UNANSWERED));
    json.put("notInUseBytes", map.bytes(State.LATER));
    json.put(
        "untriedBytes",
        map.size() - map.bytes(State.READ) - map.lostBytes() - map.bytes(State.LATER));
    json.put(
        "lost",
        map.stretches().stream()
            .filter(s -> s.state() == State.BAD || s.state() == State.UNANSWERED)
            .map(s -> Map.of("fromByte", s.from(), "bytes", s.bytes()))
            .toList());
  }
}
