package tekmerion.probe.linux;

import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import tekmerion.core.page.RawPage;

/**
 * What a drive is called on the bench link: after its serial, so that it keeps its key when the
 * system gives it another name. One that tells no serial, or the same as another, is called after
 * the place it hangs at too.
 */
final class DriveKeys {
  private static final int MAX_CHARS = 40;

  private DriveKeys() {}

  /** In the order of the drives. */
  static Map<String, SysDrive> of(List<SysDrive> drives) {
    Map<String, Long> bySerial =
        drives.stream().collect(Collectors.groupingBy(DriveKeys::serial, Collectors.counting()));
    Map<String, SysDrive> keys = new LinkedHashMap<>();
    for (SysDrive drive : drives) {
      String serial = serial(drive);
      String key =
          serial.isEmpty()
              ? drive.name() + "-" + place(drive)
              : bySerial.get(serial) > 1 ? serial + "-" + place(drive) : serial;
      keys.put(key, drive);
    }
    return keys;
  }

  /** Letters, digits and hyphens of it; it also names a folder of copies. */
  private static String serial(SysDrive drive) {
    String plain = drive.serial().replaceAll("[^A-Za-z0-9]+", "-").replaceAll("^-+|-+$", "");
    return plain.length() > MAX_CHARS ? plain.substring(0, MAX_CHARS) : plain;
  }

  private static String place(SysDrive drive) {
    String told = "%s\n%s\n%d".formatted(drive.folder(), drive.model(), drive.sizeBytes());
    byte[] sha = new RawPage(told.getBytes(StandardCharsets.UTF_8)).sha256();
    return new RawPage(sha).hex(0, 4);
  }
}
