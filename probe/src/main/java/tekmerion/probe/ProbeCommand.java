package tekmerion.probe;

import java.net.URI;
import java.nio.file.Path;
import java.util.Optional;
import java.util.ServiceLoader;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import tekmerion.core.port.MachineProvider;
import tekmerion.core.port.MachineUnderTest;
import tekmerion.probe.link.LinkClient;
import tekmerion.probe.link.LinkRefusedException;
import tekmerion.probe.outbox.Outbox;
import tekmerion.probe.outbox.OutboxException;

/** Puts a machine on the bench link and keeps it there. */
@Command(
    name = "probe",
    description = "Put a machine on the bench link and keep it there until stopped.",
    mixinStandardHelpOptions = true)
final class ProbeCommand implements Callable<Integer> {
  private static final int REFUSED = 3;
  private static final int UNUSABLE = 2;

  @Option(names = "--link", required = true, description = "Address of the shop's server.")
  private URI link;

  @Option(names = "--code", description = "Enrolment code shown in the bay; needed once.")
  private String code;

  @Option(
      names = "--machine",
      required = true,
      description = "Which machine: sim:worn-disk, sim:sound-drive or sim:bad-bridge.")
  private String machine;

  @Option(
      names = "--data",
      required = true,
      description = "Folder for the probe's identity and outbox.")
  private Path data;

  @Override
  public Integer call() throws InterruptedException {
    Optional<MachineUnderTest> found =
        ServiceLoader.load(MachineProvider.class).stream()
            .flatMap(provider -> provider.get().open(machine).stream())
            .findFirst();
    if (found.isEmpty()) {
      System.err.printf("No machine is called %s. See --help for the names.%n", machine);
      return UNUSABLE;
    }
    try (Outbox outbox = Outbox.open(data)) {
      new LinkClient(link, code, found.get(), outbox, ProbeCommand::say).run();
      return 0;
    } catch (LinkRefusedException e) {
      System.err.println(e.getMessage());
      return REFUSED;
    } catch (OutboxException e) {
      System.err.printf("%s: %s%n", e.getMessage(), e.getCause().getMessage());
      return UNUSABLE;
    }
  }

  private static void say(String words) {
    System.out.println(words);
  }
}
