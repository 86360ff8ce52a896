package tekmerion.e2e;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.function.Predicate;

/**
 * An emulated machine with the stick in it. What stands on its screen is read over a serial line.
 */
final class StickMachine implements AutoCloseable {
  /** How it starts. */
  enum Firmware {
    BIOS,
    UEFI,
    /** With the keys that machines are sold with, as Debian packs them. */
    UEFI_SECURE
  }

  private static final Path KEYS = Path.of("/usr/share/OVMF");

  private final Process qemu;
  private final OutputStream keyboard;
  private final StringBuilder said = new StringBuilder();

  private StickMachine(Process qemu) {
    this.qemu = qemu;
    this.keyboard = qemu.getOutputStream();
    Thread reader = new Thread(this::read, "serial");
    reader.setDaemon(true);
    reader.start();
  }

  /**
   * @param folder of its own, for the firmware's variables
   * @param stick what is written to it is forgotten
   * @param more options of QEMU: drives, network
   */
  static StickMachine start(Path folder, Firmware firmware, Path stick, List<String> more)
      throws IOException {
    return start(folder, firmware, stick, false, more);
  }

  /**
   * @param keeps whether what is written to the stick stays in its file
   */
  static StickMachine start(
      Path folder, Firmware firmware, Path stick, boolean keeps, List<String> more)
      throws IOException {
    List<String> words =
        new ArrayList<>(
            List.of(
                "qemu-system-x86_64",
                "-machine",
                "q35,smm=on",
                "-accel",
                "tcg,thread=multi",
                "-cpu",
                "max",
                "-smp",
                "2",
                "-m",
                "2048",
                "-display",
                "none",
                "-monitor",
                "none",
                "-no-reboot",
                "-smbios",
                "type=1,manufacturer=Ostrel,product=17-L4,serial=OS-4411",
                "-serial",
                "stdio",
                "-device",
                "qemu-xhci",
                "-drive",
                "if=none,id=stick,format=raw,snapshot=%s,file=%s"
                    .formatted(keeps ? "off" : "on", stick),
                "-device",
                "usb-storage,drive=stick,bootindex=0"));
    if (firmware != Firmware.BIOS) {
      boolean secure = firmware == Firmware.UEFI_SECURE;
      Path variables = folder.resolve("variables.fd");
      Files.copy(KEYS.resolve(secure ? "OVMF_VARS_4M.ms.fd" : "OVMF_VARS_4M.fd"), variables);
      words.addAll(
          List.of(
              "-global",
              "driver=cfi.pflash01,property=secure,value=" + (secure ? "on" : "off"),
              "-drive",
              "if=pflash,format=raw,unit=0,readonly=on,file="
                  + KEYS.resolve(secure ? "OVMF_CODE_4M.secboot.fd" : "OVMF_CODE_4M.fd"),
              "-drive",
              "if=pflash,format=raw,unit=1,file=" + variables));
    }
    words.addAll(more);
    return new StickMachine(
        new ProcessBuilder(words).redirectErrorStream(true).directory(folder.toFile()).start());
  }

  private void read() {
    byte[] bytes = new byte[4096];
    try (InputStream in = qemu.getInputStream()) {
      for (int n = in.read(bytes); n >= 0; n = in.read(bytes)) {
        synchronized (said) {
          said.append(new String(bytes, 0, n, StandardCharsets.UTF_8));
          said.notifyAll();
        }
      }
    } catch (IOException e) {
      // It was ended.
    }
  }

  /** Everything since it was switched on. */
  String all() {
    synchronized (said) {
      return said.toString();
    }
  }

  /** What stands on the screen now, without the codes that move the cursor. */
  String screen() {
    String all = all();
    int home = all.lastIndexOf("\u001b[H");
    return all.substring(Math.max(0, home)).replaceAll("\u001b\\[[0-9;]*[A-Za-z]", "");
  }

  /**
   * @return how long it took
   */
  Duration await(String what, Duration most, Predicate<String> screen) {
    Instant begin = Instant.now();
    while (!screen.test(screen())) {
      if (Duration.between(begin, Instant.now()).compareTo(most) > 0 || !qemu.isAlive()) {
        throw new AssertionError(
            "%s: not seen in %s. The screen:%n%s%nThe end of all:%n%s"
                .formatted(
                    what, most, screen(), all().substring(Math.max(0, all().length() - 3000))));
      }
      synchronized (said) {
        try {
          said.wait(500);
        } catch (InterruptedException e) {
          throw new AssertionError(e);
        }
      }
    }
    return Duration.between(begin, Instant.now());
  }

  void press(String keys) throws IOException {
    keyboard.write(keys.getBytes(StandardCharsets.US_ASCII));
    keyboard.flush();
  }

  boolean isOff(Duration within) throws InterruptedException {
    return qemu.waitFor(within.toMillis(), TimeUnit.MILLISECONDS);
  }

  @Override
  public void close() {
    qemu.destroyForcibly();
  }
}
