package tekmerion.probe.instrument;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.ServiceLoader;
import java.util.UUID;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import tekmerion.core.port.MachineProvider;
import tekmerion.core.port.MachineUnderTest;
import tekmerion.core.port.PageSource;
import tekmerion.link.CaptureFile;
import tekmerion.link.CaptureFile.CapturedReading;
import tekmerion.link.LinkCodec;
import tekmerion.link.MachineNote;
import tekmerion.link.PageNote;
import tekmerion.link.RunKind;
import tekmerion.probe.link.ProbeVersion;

/** Everything that a machine says of itself, into one file; no network needed. */
@Command(
    name = "save",
    description = {
      "Read what every drive, the board and the battery say of themselves into one file, on a stick",
      "for instance. Dropped onto a job later it is a reading like any other. Reads only.",
      "Exit 0; 2 if nothing could be read or the file is there already."
    },
    mixinStandardHelpOptions = true)
public final class SaveCommand implements Callable<Integer> {
  private static final int CANNOT = 2;

  @Option(
      names = "--machine",
      defaultValue = "this:drives",
      description = "Which machine. Default: this:drives, this computer.")
  private String machine;

  @Option(names = "--out", required = true, description = "The file; never written over.")
  private Path out;

  @Override
  public Integer call() throws IOException {
    Optional<MachineUnderTest> found =
        ServiceLoader.load(MachineProvider.class).stream()
            .flatMap(provider -> provider.get().open(machine).stream())
            .findFirst();
    if (found.isEmpty() || Files.exists(out)) {
      System.err.println(
          found.isEmpty() ? "No machine is called " + machine + "." : out + " is there already.");
      return CANNOT;
    }
    List<CapturedReading> readings = new ArrayList<>();
    found.get().drives().forEach(d -> readings.add(read(d.key(), d.pages())));
    found.get().board().ifPresent(b -> readings.add(read(RunKind.BOARD, b.pages())));
    found.get().battery().ifPresent(b -> readings.add(read(RunKind.BATTERY, b.pages())));
    if (readings.isEmpty()) {
      System.err.println("There is nothing here that could be read.");
      return CANNOT;
    }
    CaptureFile file =
        CaptureFile.of(ProbeVersion.CURRENT, MachineNote.of(found.get()), readings, List.of());
    Files.writeString(
        out, LinkCodec.encode(file), StandardOpenOption.CREATE_NEW, StandardOpenOption.SYNC);
    System.out.printf(
        "%d readings with %d pages in %s%n",
        readings.size(), readings.stream().mapToInt(r -> r.pages().size()).sum(), out);
    return 0;
  }

  private static CapturedReading read(String key, PageSource source) {
    Instant now = Instant.now();
    return new CapturedReading(
        UUID.randomUUID(),
        key,
        now,
        source.kinds().stream().map(k -> PageNote.of(k, source.read(k))).toList());
  }
}
