package tekmerion.probe.console;

import java.net.URI;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Spec;
import tekmerion.link.stick.StickKey;
import tekmerion.link.tls.Fingerprint;
import tekmerion.probe.link.SoleBench;
import tekmerion.probe.linux.LinuxMachine;
import tekmerion.probe.linux.LocalDrives;
import tekmerion.probe.linux.StickDevice;
import tekmerion.words.Language;
import tekmerion.words.Speaking;
import tekmerion.words.Words;

/** The stick's screen. */
@Command(
    name = "console",
    description = {
      "The screen of a machine that was started from the stick: what it is, its link, a menu by digits.",
      "Exit 0 when somebody chose to switch it off."
    },
    mixinStandardHelpOptions = true)
public final class ConsoleCommand implements Callable<Integer> {
  @Option(
      names = "--screen",
      required = true,
      description = "A terminal; may be given more than once.")
  private List<Path> screens = new ArrayList<>();

  @Option(
      names = "--servers",
      defaultValue = "",
      description = "Addresses of the shop's server, with spaces between them.")
  private String servers;

  @Option(
      names = "--authority",
      defaultValue = "",
      description = "Fingerprint of the shop's authority.")
  private String authority;

  @Option(
      names = "--stick-key",
      defaultValue = "",
      description =
          "The shop's key that what the stick keeps is sealed to. Default: it keeps nothing.")
  private String stickKey;

  @Option(names = "--language", defaultValue = "en", description = "en or nb. Default: en.")
  private String language;

  @Option(
      names = "--data",
      required = true,
      description = "Folder for the probe's identity and outbox.")
  private Path data;

  @Spec private CommandSpec spec;

  @Override
  public Integer call() throws InterruptedException {
    List<URI> addresses;
    Optional<Fingerprint> whose;
    Optional<StickKey> key;
    try {
      addresses =
          Arrays.stream(servers.strip().split(" +"))
              .filter(text -> !text.isEmpty())
              .map(URI::create)
              .toList();
      whose = authority.isBlank() ? Optional.empty() : Optional.of(Fingerprint.parse(authority));
      key = stickKey.isBlank() ? Optional.empty() : Optional.of(StickKey.parse(stickKey));
    } catch (IllegalArgumentException e) {
      throw new ParameterException(spec.commandLine(), e.getMessage());
    }
    // What it tells the server is read there in any language; the screen has one of its own.
    Words.everywhere(Speaking.IN_CODES);
    Language in = language.equals("nb") ? Language.NB : Language.EN;
    LinuxMachine here = new LinuxMachine();
    try (Screens shown = new Screens(screens);
        SoleBench bench = new SoleBench(here, data.resolve("sole"))) {
      BenchLinkOfStick link = new BenchLinkOfStick(addresses, whose, data, here);
      StickSaver saver = new StickSaver(bench, key, StickDevice::find);
      new Console(shown, link, here, bench, saver, LocalDrives::byKey, in).run();
      return 0;
    }
  }
}
