package tekmerion.launch;

import java.net.InetAddress;
import java.net.URI;
import java.net.UnknownHostException;
import java.nio.file.Path;
import java.time.Clock;
import java.time.LocalTime;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import picocli.CommandLine.ArgGroup;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Spec;
import tekmerion.launch.tls.LanNames;
import tekmerion.launch.tls.ShopTls;
import tekmerion.launch.tls.TlsFileException;

/** A shop's own server. */
@Command(
    name = "serve",
    description = {
      "Start the server for a shop. Uses the MariaDB at TEKMERION_DB_URL if that is set",
      "(with TEKMERION_DB_USER, TEKMERION_DB_PASSWORD, TEKMERION_DB_OWNER, TEKMERION_DB_OWNER_PASSWORD),",
      "else starts one of its own on loopback. The first start prints the first sign-in. What ends by itself is started again, and said.",
      "Beyond loopback it speaks TLS only: by an authority of the shop's own, made at the first start, or by files that are given."
    },
    mixinStandardHelpOptions = true)
final class ServeCommand implements Callable<Integer> {
  private static final int RENEWAL_LOOK_HOURS = 12;

  @Option(
      names = "--data",
      description = "Folder for logs and the own database (default: .tekmerion/shop).")
  private Path data;

  @Option(names = "--port", defaultValue = "8780", description = "Port (default: 8780).")
  private int port;

  @Option(
      names = "--listen",
      defaultValue = "127.0.0.1",
      description =
          "Address of this machine to listen on; 0.0.0.0 for all (default: 127.0.0.1, only this machine).")
  private String listen;

  @Option(
      names = "--name",
      description = "A name that machines of the network know this one by; may be given again.")
  private List<String> names = List.of();

  @Option(names = "--tls", description = "Speak TLS on loopback too.")
  private boolean tlsEverywhere;

  @ArgGroup(exclusive = false)
  private Given given;

  private static final class Given {
    @Option(
        names = "--certificate",
        required = true,
        description = "The shop's own certificate and who signed it, as PEM.")
    private Path certificate;

    @Option(names = "--key", required = true, description = "Its key, as PEM.")
    private Path key;
  }

  @Option(
      names = "--backups",
      description = "Folder for a backup every night, best on another disk; see backup --help.")
  private Path backups;

  @Option(
      names = "--backup-at",
      defaultValue = "03:00",
      description = "When, where this machine is (default: 03:00).")
  private LocalTime backupAt;

  @Mixin private PassphraseOption sealedTo;

  @Spec private CommandSpec spec;

  @Override
  public Integer call() throws InterruptedException {
    InetAddress address = address();
    Home home = Home.find();
    Path folder = ShopFolder.named(data);
    // Before anything starts: a backup that cannot be made is said now, not in the night.
    Optional<char[]> secret = Optional.ofNullable(backups).map(asked -> sealedTo.passphrase());
    Optional<ShopTls> tls;
    try {
      tls = tls(address, folder);
    } catch (TlsFileException e) {
      throw new LaunchException(e.getMessage(), e);
    }
    try (Running running = new Running()) {
      Map<String, String> environment = new HashMap<>();
      environment.put("TEKMERION_ADDRESS", address.getHostAddress());
      tls.map(ShopTls::environment).ifPresent(environment::putAll);
      if (System.getenv("TEKMERION_DB_URL") == null) {
        System.out.println("Starting MariaDB on loopback, its data in " + folder.resolve("db"));
        environment.putAll(running.database(folder.resolve("db")).environment());
      }
      ServerProcess server = running.server(home, folder, port, environment);
      server
          .firstSignIn()
          .ifPresent(said -> System.out.println("First start: " + said + " It is shown only now."));
      tls.ifPresent(t -> running.add(renewing(t)));
      secret.ifPresent(
          with ->
              running.add(
                  new NightlyBackups(
                          folder,
                          backups.toAbsolutePath(),
                          with,
                          backupAt,
                          Clock.systemDefaultZone())
                      .start()));
      System.out.printf(
          "Tekmerion is at %s, its log in %s. Ctrl-C ends it.%n",
          shownAs(address, tls), server.child().log());
      tls.flatMap(ShopTls::authority)
          .ifPresent(
              authority ->
                  System.out.printf(
                      "Its authority is %s. Probes are started with --authority and this;%n"
                          + "browsers are told at %s/ca, sticks are made by the command at /stick.%n",
                      authority, shownAs(address, tls)));
      running.await();
      return 0;
    }
  }

  private InetAddress address() {
    try {
      return InetAddress.getByName(listen);
    } catch (UnknownHostException e) {
      throw new ParameterException(
          spec.commandLine(), "--listen takes an address of this machine, not " + listen);
    }
  }

  private Optional<ShopTls> tls(InetAddress address, Path folder) {
    if (given != null) {
      return Optional.of(ShopTls.given(given.certificate, given.key, Clock.systemUTC()));
    }
    if (address.isLoopbackAddress() && !tlsEverywhere) {
      return Optional.empty();
    }
    LanNames known = LanNames.of(address, names);
    String shop = Optional.ofNullable(System.getenv("TEKMERION_SHOP")).orElse("Tekmerion");
    return Optional.of(
        ShopTls.own(
            folder.resolve("tls"), shop, known.names(), known.addresses(), Clock.systemUTC()));
  }

  /** The server takes a new certificate while it runs. */
  private static AutoCloseable renewing(ShopTls tls) {
    ScheduledExecutorService looks =
        Executors.newSingleThreadScheduledExecutor(
            work -> {
              Thread thread = new Thread(work, "renew the certificate");
              thread.setDaemon(true);
              return thread;
            });
    looks.scheduleWithFixedDelay(
        () -> {
          try {
            if (tls.renewIfNeeded()) {
              System.out.println("The server's certificate was renewed.");
            }
          } catch (RuntimeException e) {
            System.err.println("The server's certificate could not be renewed: " + e.getMessage());
          }
        },
        RENEWAL_LOOK_HOURS,
        RENEWAL_LOOK_HOURS,
        TimeUnit.HOURS);
    return looks::shutdownNow;
  }

  private URI shownAs(InetAddress address, Optional<ShopTls> tls) {
    String host =
        address.isAnyLocalAddress()
            ? LanNames.of(address, names).names().get(0)
            : address.getHostAddress();
    String plain = host.contains(":") ? "[" + host + "]" : host;
    return URI.create("%s://%s:%d".formatted(tls.isPresent() ? "https" : "http", plain, port));
  }
}
