package tekmerion.core.port;

import java.util.Arrays;
import java.util.Optional;

/** The pages that can be asked of a drive, by the name under which they travel and are stored. */
public enum PageKind {
  ATA_IDENTIFY("ata-identify", "IDENTIFY DEVICE"),
  ATA_SMART("ata-smart", "SMART READ DATA"),
  ATA_THRESHOLDS("ata-thresholds", "SMART READ THRESHOLDS");

  private final String wireName;
  private final String standardName;

  PageKind(String wireName, String standardName) {
    this.wireName = wireName;
    this.standardName = standardName;
  }

  public String wireName() {
    return wireName;
  }

  public String standardName() {
    return standardName;
  }

  public static Optional<PageKind> ofWireName(String name) {
    return Arrays.stream(values()).filter(k -> k.wireName.equals(name)).findFirst();
  }
}
