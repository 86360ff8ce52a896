package tekmerion.launch;

import java.nio.file.Path;
import java.time.Duration;
import java.util.HashMap;
import java.util.Map;
import java.util.TreeMap;

/** The simulated machines of the demo, each with a probe, and what these do this morning. */
final class DemoBench {
  /** By bay. */
  private static final Map<Integer, String> MACHINES = new TreeMap<>();

  static {
    MACHINES.put(1, "sim:worn-disk");
    MACHINES.put(2, "sim:sound-drive");
    MACHINES.put(3, "sim:bad-bridge");
    MACHINES.putAll(BenchMorning.MACHINES);
  }

  private final Home home;
  private final Path folder;
  private final ServerProcess server;
  private final Secrets secrets;
  private final Running running;
  private final Map<Integer, Child> probes = new HashMap<>();

  DemoBench(Home home, Path folder, ServerProcess server, Secrets secrets, Running running) {
    this.home = home;
    this.folder = folder;
    this.server = server;
    this.secrets = secrets;
    this.running = running;
  }

  /** Each probe enrols as any other would: with a code from its bay. */
  void start(String person) {
    ShopClient shop = new ShopClient(server.address());
    ShopClient.Answer answer = shop.signIn(person, secrets.get("demoPassword", 10));
    if (answer.status() != 200) {
      throw new LaunchException("The demo sign-in does not work: " + answer.body());
    }
    MACHINES.forEach(
        (bay, machine) -> {
          String enrolledWith = "enrolledWith.bay" + bay;
          String code = null;
          if (!server.address().toString().equals(secrets.peek(enrolledWith))) {
            code = shop.enrolmentCode(bay);
            secrets.put(enrolledWith, server.address().toString());
          }
          String now = secrets.peek("machine.bay" + bay);
          put(bay, now == null ? machine : now, code);
        });
    System.out.printf(
        "%d simulated machines are on the bench; the probes do what they did this morning.%n",
        MACHINES.size());
    try {
      new BenchMorning(shop, this::exchange).work();
      System.out.println("The morning's tests stand in the jobs. Ctrl-C ends everything.");
    } catch (LaunchException e) {
      // The shop can be looked at all the same.
      System.err.println(e.getMessage());
    }
  }

  /** Another machine in a bay, as it stays when the demo is started again. */
  private void exchange(int bay, String machine) {
    probes.get(bay).close();
    secrets.put("machine.bay" + bay, machine);
    put(bay, machine, null);
  }

  private void put(int bay, String machine, String code) {
    Child probe =
        ProbeProcess.start(
            home,
            folder.resolve("probes/bay-" + bay),
            server.address(),
            machine,
            code,
            Duration.parse(secrets.peek("clockOffBy")));
    probes.put(bay, probe);
    running.add(probe);
  }
}
