package tekmerion.launch;

import java.nio.file.Path;
import java.util.HashMap;
import java.util.Map;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/** A shop's own server. */
@Command(
    name = "serve",
    description = {
      "Start the server for a shop. Uses the MariaDB at TEKMERION_DB_URL if that is set",
      "(with TEKMERION_DB_USER, TEKMERION_DB_PASSWORD, TEKMERION_DB_OWNER, TEKMERION_DB_OWNER_PASSWORD),",
      "else starts one of its own on loopback. The first start prints the first sign-in. What ends by itself is started again, and said."
    },
    mixinStandardHelpOptions = true)
final class ServeCommand implements Callable<Integer> {
  @Option(
      names = "--data",
      description = "Folder for logs and the own database (default: .tekmerion/shop).")
  private Path data;

  @Option(names = "--port", defaultValue = "8780", description = "Port (default: 8780).")
  private int port;

  @Override
  public Integer call() throws InterruptedException {
    Home home = Home.find();
    Path folder = (data == null ? home.root().resolve(".tekmerion/shop") : data).toAbsolutePath();
    try (Running running = new Running()) {
      Map<String, String> environment = new HashMap<>();
      if (System.getenv("TEKMERION_DB_URL") == null) {
        System.out.println("Starting MariaDB on loopback, its data in " + folder.resolve("db"));
        environment.putAll(running.database(folder.resolve("db")).environment());
      }
      ServerProcess server = running.server(home, folder, port, environment);
      server
          .firstSignIn()
          .ifPresent(said -> System.out.println("First start: " + said + " It is shown only now."));
      System.out.printf(
          "Tekmerion is at %s, its log in %s. Ctrl-C ends it.%n",
          server.address(), server.child().log());
      running.await();
      return 0;
    }
  }
}
