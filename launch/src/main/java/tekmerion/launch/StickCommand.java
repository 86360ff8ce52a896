package tekmerion.launch;

import java.io.IOException;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Spec;
import tekmerion.launch.stick.Stick;
import tekmerion.launch.stick.StickException;
import tekmerion.launch.stick.StickShop;
import tekmerion.link.stick.StickKey;
import tekmerion.link.tls.Fingerprint;

/** An image that starts customers' machines with the probe. */
@Command(
    name = "stick",
    description = {
      "Write an image for USB sticks that starts a machine with the probe and nothing else: UEFI with or",
      "without secure boot, and BIOS. It runs from memory, mounts nothing of the machine and sets its drives",
      "read-only. Debian's packages are fetched once; nothing is installed. Write it to a stick with",
      "cp FILE /dev/STICK; everything that was on that stick is gone then."
    },
    mixinStandardHelpOptions = true)
final class StickCommand implements Callable<Integer> {
  @Option(names = "--out", required = true, description = "The image to write; it must not exist.")
  private Path out;

  @Option(
      names = "--server",
      description = "https address of the shop's server; may be given more than once.")
  private List<URI> servers = new ArrayList<>();

  @Option(
      names = "--authority",
      description = "Fingerprint of the shop's certificate authority, as the server says it.")
  private String authority;

  @Option(
      names = "--stick-key",
      description =
          "The shop's key, as its page /stick shows it: what the stick keeps without a network is sealed to it. Default: it keeps nothing.")
  private String stickKey;

  @Option(
      names = "--language",
      defaultValue = "en",
      description = "Of its screen: en or nb. Default: en.")
  private String language;

  @Spec private CommandSpec spec;

  @Override
  public Integer call() throws IOException {
    if (Files.exists(out)) {
      throw new LaunchException("%s is there already. Nothing was written.".formatted(out));
    }
    if (!List.of("en", "nb").contains(language)) {
      throw new ParameterException(spec.commandLine(), "--language is en or nb");
    }
    Optional<Fingerprint> whose;
    try {
      whose = Optional.ofNullable(authority).map(Fingerprint::parse);
    } catch (IllegalArgumentException e) {
      throw new ParameterException(spec.commandLine(), "--authority: " + e.getMessage());
    }
    Optional<StickKey> key;
    try {
      key = Optional.ofNullable(stickKey).map(StickKey::parse);
    } catch (IllegalArgumentException e) {
      throw new ParameterException(spec.commandLine(), "--stick-key: " + e.getMessage());
    }
    System.out.println(
        "Fetching what is missing of Debian's packages, then putting the image together.");
    try {
      Path root = Home.find().root();
      Stick.make(
          root.resolve(".tekmerion/stick"),
          List.of(root.resolve("probe/target/lib"), root.resolve("probe/target")),
          new StickShop(servers, whose, key, language),
          out);
    } catch (StickException e) {
      throw new LaunchException(e.getMessage(), e);
    }
    System.out.printf(
        "%s, %,d MB. Write it to a stick: cp %s /dev/STICK%n",
        out, Files.size(out) / 1_000_000, out);
    return 0;
  }
}
