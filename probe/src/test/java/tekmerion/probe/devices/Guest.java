package tekmerion.probe.devices;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.OutputStream;
import java.net.StandardProtocolFamily;
import java.net.UnixDomainSocketAddress;
import java.nio.channels.Channels;
import java.nio.channels.SocketChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** A small machine with a real kernel and emulated drives. Its processors are emulated too. */
final class Guest implements AutoCloseable {
  private static final JsonMapper JSON = JsonMapper.builder().build();
  private static final long START_MS = 180_000;

  private final Process qemu;
  private final Path folder;
  private final SocketChannel monitor;
  private final BufferedReader monitorIn;
  private final SocketChannel agent;
  private final BufferedReader agentIn;

  /** What a command of the guest printed, and how it ended. */
  record Result(int exit, String out, String err) {
    JsonNode json() {
      return JSON.readTree(out);
    }

    String all() {
      return "exit %d%n%s%s".formatted(exit, out, err);
    }
  }

  private Guest(Process qemu, Path folder) throws IOException, InterruptedException {
    this.qemu = qemu;
    this.folder = folder;
    this.monitor = connect(folder.resolve("monitor"));
    this.monitorIn = reader(monitor);
    this.agent = connect(folder.resolve("agent"));
    this.agentIn = reader(agent);
    monitorIn.readLine(); // its greeting
    monitor("qmp_capabilities", Map.of());
  }

  /**
   * Starts it and waits until its agent is ready.
   *
   * @param folder for sockets and the console's log
   * @param more options of QEMU
   */
  static Guest start(GuestParts parts, Path folder, List<TestDisk> disks, String... more)
      throws IOException, InterruptedException {
    Path scratch = folder.resolve("scratch.img");
    Shell.run(folder, "/sbin/mke2fs", "-q", "-F", "-t", "ext4", scratch.toString(), "4G");
    List<String> words =
        new ArrayList<>(
            List.of(
                "qemu-system-x86_64",
                "-machine",
                "q35",
                "-accel",
                "tcg,thread=multi",
                "-cpu",
                "max",
                "-smp",
                "2",
                "-m",
                "1024",
                "-display",
                "none",
                "-no-reboot",
                "-nic",
                "none",
                "-serial",
                "file:" + folder.resolve("console.log"),
                "-qmp",
                "unix:%s,server=on,wait=off".formatted(folder.resolve("monitor")),
                "-kernel",
                parts.kernel().toString(),
                "-initrd",
                parts.initrd().toString(),
                "-append",
                "console=ttyS0 panic=-1 mitigations=off",
                "-drive",
                "file=%s,if=virtio,format=raw,readonly=on".formatted(parts.tools()),
                "-drive",
                "file=%s,if=virtio,format=raw,cache=unsafe".formatted(scratch),
                "-device",
                "virtio-serial-pci",
                "-chardev",
                "socket,id=agent,path=%s,server=on,wait=off".formatted(folder.resolve("agent")),
                "-device",
                "virtserialport,chardev=agent,name=agent",
                "-device",
                "virtio-scsi-pci,id=scsi",
                "-device",
                "piix3-ide,id=pata",
                "-device",
                "qemu-xhci,id=usb"));
    for (TestDisk disk : disks) {
      words.addAll(disk.qemu());
    }
    words.addAll(List.of(more));
    Process qemu =
        new ProcessBuilder(words)
            .redirectErrorStream(true)
            .redirectOutput(folder.resolve("qemu.log").toFile())
            .start();
    try {
      Guest guest = new Guest(qemu, folder);
      guest.waitFor("ready");
      return guest;
    } catch (IOException | InterruptedException | RuntimeException e) {
      qemu.destroyForcibly();
      throw new IOException(
          Files.readString(folder.resolve("qemu.log")) + tail(folder.resolve("console.log")), e);
    }
  }

  private static String tail(Path log) throws IOException {
    if (!Files.exists(log)) {
      return "";
    }
    String text = new String(Files.readAllBytes(log), StandardCharsets.ISO_8859_1);
    return text.substring(Math.max(0, text.length() - 3_000));
  }

  private static SocketChannel connect(Path socket) throws IOException, InterruptedException {
    for (int i = 0; ; i++) {
      SocketChannel channel = SocketChannel.open(StandardProtocolFamily.UNIX);
      try {
        channel.connect(UnixDomainSocketAddress.of(socket));
        return channel;
      } catch (IOException e) {
        channel.close();
        if (i == 50) {
          throw e;
        }
        Thread.sleep(100);
      }
    }
  }

  private static BufferedReader reader(SocketChannel channel) {
    return new BufferedReader(
        new InputStreamReader(Channels.newInputStream(channel), StandardCharsets.UTF_8));
  }

  private void waitFor(String word) throws IOException {
    Thread watch =
        new Thread(
            () -> {
              try {
                Thread.sleep(START_MS);
                qemu.destroyForcibly();
              } catch (InterruptedException e) {
                // it is ready
              }
            });
    watch.start();
    String line = agentIn.readLine();
    watch.interrupt();
    if (line == null || !line.contains(word)) {
      throw new IOException("the guest's agent did not come up: " + line);
    }
  }

  /** Asks QEMU itself. */
  JsonNode monitor(String command, Map<String, Object> arguments) throws IOException {
    send(monitor, Map.of("execute", command, "arguments", arguments));
    for (String line = monitorIn.readLine(); line != null; line = monitorIn.readLine()) {
      JsonNode answer = JSON.readTree(line);
      if (answer.has("error")) {
        throw new IOException(command + ": " + line);
      }
      if (answer.has("return")) {
        return answer.get("return");
      }
    }
    throw new IOException("QEMU has ended");
  }

  private static void send(SocketChannel to, Object what) throws IOException {
    OutputStream out = Channels.newOutputStream(to);
    out.write((JSON.writeValueAsString(what) + "\n").getBytes(StandardCharsets.UTF_8));
    out.flush();
  }

  /** An instrument of the probe, as on a command line. */
  Result tekmerion(String... words) throws IOException {
    return ask("tekmerion", words);
  }

  /** A run, as the bench link asks for it. */
  Result run(String... words) throws IOException {
    return ask("run", words);
  }

  Result sh(String command) throws IOException {
    return ask("sh", command);
  }

  private synchronized Result ask(String first, String... rest) throws IOException {
    List<String> words = new ArrayList<>(List.of(first));
    words.addAll(List.of(rest));
    send(agent, Map.of("words", words));
    String line = agentIn.readLine();
    if (line == null) {
      throw new IOException("the guest has ended: " + tail(folder.resolve("console.log")));
    }
    JsonNode answer = JSON.readTree(line);
    return new Result(
        answer.get("exit").intValue(),
        answer.get("out").stringValue(),
        answer.get("err").stringValue());
  }

  /** By its serial; empty if the guest has none such. */
  String device(TestDisk disk) throws IOException {
    return device(disk.serial());
  }

  private String device(String serial) throws IOException {
    // A serial stands with the drive, in its page 80h, or with the USB device above it.
    Result result =
        sh(
            """
            for d in /sys/block/*; do
              if grep -qs %1$s $d/device/serial $d/device/vpd_pg80; then echo /dev/${d##*/}; fi
              p=$(readlink -f $d)
              while [ "$p" != / ]; do
                p=${p%%/*}; [ -n "$p" ] || p=/
                if [ -f $p/idVendor ] && grep -qs %1$s $p/serial; then echo /dev/${d##*/}; fi
              done
            done | head -1"""
                .formatted(serial));
    return result.out().strip();
  }

  /** How many writes reached a drive, by QEMU's own count. */
  long writes(TestDisk disk) throws IOException {
    for (JsonNode one : monitor("query-blockstats", Map.of())) {
      String path = one.path("qdev").asString("");
      if (List.of(path.split("/")).contains(disk.device())) {
        return one.at("/stats/wr_operations").longValue();
      }
    }
    throw new IOException("QEMU knows no " + disk.device());
  }

  /** As somebody pulls it; comes back when it is gone for the guest too. */
  void pull(TestDisk disk) throws IOException, InterruptedException {
    String device = device(disk);
    if (disk.kind().bus.equals("ata")) {
      sh("echo 1 > /sys/block/%s/device/delete".formatted(device.substring(5)));
    } else {
      monitor("device_del", Map.of("id", disk.pulled()));
    }
    waitUntil(() -> device(disk).isEmpty(), device + " does not go away");
  }

  void plugIn(TestDisk disk) throws IOException, InterruptedException {
    if (disk.kind().bus.equals("ata")) {
      sh("for h in /sys/class/scsi_host/*; do echo '- - -' > $h/scan; done");
    } else {
      for (Map<String, Object> device : disk.attached()) {
        monitor("device_add", device);
      }
    }
    waitUntil(() -> !device(disk).isEmpty(), disk.label() + " does not come back");
  }

  /** The same drive, that tells the serial that another number would have. */
  void plugInAs(TestDisk disk, int other) throws IOException, InterruptedException {
    for (Map<String, Object> device : disk.attachedWithSerialOf(other)) {
      monitor("device_add", device);
    }
    waitUntil(() -> !device(TestDisk.serialOf(other)).isEmpty(), "it does not come");
  }

  void pullFrom(TestDisk disk, int other) throws IOException, InterruptedException {
    monitor("device_del", Map.of("id", disk.pulled()));
    waitUntil(() -> device(TestDisk.serialOf(other)).isEmpty(), "it does not go");
  }

  private interface Condition {
    boolean holds() throws IOException;
  }

  private static void waitUntil(Condition condition, String orElse)
      throws IOException, InterruptedException {
    for (int i = 0; !condition.holds(); i++) {
      if (i == 150) {
        throw new IOException(orElse);
      }
      Thread.sleep(200);
    }
  }

  @Override
  public void close() throws IOException {
    monitor.close();
    agent.close();
    qemu.destroy();
    try {
      if (!qemu.waitFor(10, TimeUnit.SECONDS)) {
        qemu.destroyForcibly();
      }
    } catch (InterruptedException e) {
      qemu.destroyForcibly();
      Thread.currentThread().interrupt();
    }
  }
}
