package tekmerion.launch;

import java.net.URI;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import tekmerion.link.tls.Fingerprint;

/** A probe on a simulated machine, as a child process. */
public final class ProbeProcess {
  private ProbeProcess() {}

  /**
   * @param folder the probe's data; its log stands there too
   * @param machine e.g. {@code sim:worn-disk}
   * @param code enrolment code, or null if it is enrolled already
   */
  public static Child start(Home home, Path folder, URI server, String machine, String code) {
    return start(home, folder, server, machine, code, Duration.ZERO);
  }

  /** One that links to the server of this authority only. */
  public static Child start(
      Home home, Path folder, URI server, Fingerprint authority, String machine, String code) {
    return start(
        home,
        folder,
        server,
        machine,
        code,
        Duration.ZERO,
        List.of("--authority", authority.toString()));
  }

  /**
   * @param offBy by how much the simulated machine's clock is off, as the made-up shop's is
   */
  public static Child start(
      Home home, Path folder, URI server, String machine, String code, Duration offBy) {
    return start(home, folder, server, machine, code, offBy, List.of());
  }

  private static Child start(
      Home home,
      Path folder,
      URI server,
      String machine,
      String code,
      Duration offBy,
      List<String> more) {
    List<String> command =
        new ArrayList<>(
            List.of(Home.java(), "-Xmx128m", "-XX:+UseSerialGC", "-XX:TieredStopAtLevel=1"));
    if (!offBy.isZero()) {
      command.add("-Dtekmerion.sim.clockOffBy=" + offBy);
    }
    command.addAll(ClassArchive.of(home, "sim", "probe").useOrWrite());
    command.addAll(
        List.of(
            "-cp",
            home.classPath("probe") + ":" + home.root().resolve("sim/target/sim-0.1.0.jar"),
            "tekmerion.probe.Tekmerion",
            "probe",
            "--link",
            server.toString(),
            "--machine",
            machine,
            "--data",
            folder.resolve("data").toString()));
    command.addAll(more);
    if (code != null) {
      command.add("--code");
      command.add(code);
    }
    return Child.start("probe", folder, command, Map.of());
  }
}
