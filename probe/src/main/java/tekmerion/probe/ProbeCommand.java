package tekmerion.probe;

import java.net.URI;
import java.nio.file.Path;
import java.util.Optional;
import java.util.ServiceLoader;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Spec;
import tekmerion.core.port.MachineProvider;
import tekmerion.core.port.MachineUnderTest;
import tekmerion.link.tls.Fingerprint;
import tekmerion.probe.instrument.ListCommand;
import tekmerion.probe.instrument.ReadCommand;
import tekmerion.probe.instrument.SaveCommand;
import tekmerion.probe.link.LinkClient;
import tekmerion.probe.link.LinkRefusedException;
import tekmerion.probe.outbox.Outbox;
import tekmerion.probe.outbox.OutboxException;
import tekmerion.words.Speaking;
import tekmerion.words.Words;

/** Puts a machine on the bench link and keeps it there. */
@Command(
    name = "probe",
    description = {
      "Put a machine on the bench link and keep it there until stopped.",
      "Without a server: probe list, probe read DEVICE --out FOLDER, probe save --out FILE."
    },
    mixinStandardHelpOptions = true,
    subcommands = {ListCommand.class, ReadCommand.class, SaveCommand.class})
final class ProbeCommand implements Callable<Integer> {
  private static final int REFUSED = 3;
  private static final int UNUSABLE = 2;
  private static final String AUTHORITY = "authority";

  @Option(names = "--link", description = "Address of the shop's server; needed.")
  private URI link;

  @Option(
      names = "--code",
      description =
          "Enrolment code shown in the bay, needed once. Without one it knocks: somebody in the shop"
              + " lets it in with the six digits that it says.")
  private String code;

  @Option(
      names = "--authority",
      description =
          "Fingerprint of the shop's certificate authority, as the server says it when it starts."
              + " Needed once, where the server has one; any other is refused then.")
  private String authority;

  @Option(
      names = "--machine",
      description =
          "Needed. Which machine: this:drives for this computer, or sim:worn-disk, sim:sound-drive,"
              + " sim:bad-bridge or sim:worn-flash.")
  private String machine;

  @Option(names = "--data", description = "Folder for the probe's identity and outbox; needed.")
  private Path data;

  @Option(
      names = "--copies",
      description =
          "Folder of the shop for copies of customers' data. Default: copies below --data.")
  private Path copies;

  @Spec private CommandSpec spec;

  @Override
  public Integer call() throws InterruptedException {
    // What it tells the server is read there in any language.
    Words.everywhere(Speaking.IN_CODES);
    if (link == null || machine == null || data == null) {
      throw new ParameterException(
          spec.commandLine(), "--link, --machine and --data are needed, or a command: list, read");
    }
    Optional<MachineUnderTest> found =
        ServiceLoader.load(MachineProvider.class).stream()
            .flatMap(provider -> provider.get().open(machine).stream())
            .findFirst();
    if (found.isEmpty()) {
      System.err.printf("No machine is called %s. See --help for the names.%n", machine);
      return UNUSABLE;
    }
    try (Outbox outbox = Outbox.open(data)) {
      Path to = copies == null ? data.resolve("copies") : copies;
      LinkClient.Server server = new LinkClient.Server(link, authority(outbox));
      new LinkClient(server, code, found.get(), outbox, data, to, ProbeCommand::say).run();
      return 0;
    } catch (LinkRefusedException e) {
      System.err.println(inEnglish(e.getMessage()));
      return REFUSED;
    } catch (OutboxException e) {
      System.err.printf("%s: %s%n", inEnglish(e.getMessage()), e.getCause().getMessage());
      return UNUSABLE;
    }
  }

  /** As given now, or as given before: whoever is someone else since is refused. */
  private Optional<Fingerprint> authority(Outbox outbox) {
    if (authority != null) {
      try {
        outbox.keepIdentity(AUTHORITY, Fingerprint.parse(authority).toString());
      } catch (IllegalArgumentException e) {
        throw new ParameterException(spec.commandLine(), "--authority: " + e.getMessage());
      }
    }
    return outbox.identity(AUTHORITY).map(Fingerprint::parse);
  }

  private static void say(String words) {
    System.out.println(inEnglish(words));
  }

  private static String inEnglish(String words) {
    return Words.in(Speaking.ENGLISH, () -> Words.read(words));
  }
}
