package tekmerion.core.drive;

import static tekmerion.words.Words.say;

import java.util.Optional;
import tekmerion.core.finding.Finding;
import tekmerion.core.finding.Finding.Basis;

/** The finding that a surface scan gives. */
public final class SurfaceFindings {
  private static final long MANY = 10;
  private static final double WHOLE = 0.99;

  private SurfaceFindings() {}

  /**
   * @param shareRead of the drive, or of the places of the sample, 0 to 1
   * @param badSectors that could not be read
   * @param slowZones how many stand out
   * @return empty if too little was read to call it clean: unknown is not absent
   */
  public static Optional<Finding> of(
      String part, double shareRead, long badSectors, int slowZones, boolean sampledOnly) {
    boolean whole = shareRead >= WHOLE && !sampledOnly;
    if (badSectors > 0) {
      return Optional.of(
          finding(
              part,
              badSectors < MANY ? "some-unreadable" : "many-unreadable",
              say("drive.could-not-be-read-in-a", "badSectors", badSectors)));
    }
    if (slowZones > 0) {
      return Optional.of(
          finding(
              part, "slow", say("drive.slow-in-a-surface-scan-nothing", "slowZones", slowZones)));
    }
    if (whole) {
      return Optional.of(finding(part, "clean", say("drive.a-whole-surface-scan-every-sector")));
    }
    return sampledOnly && shareRead >= WHOLE
        ? Optional.of(
            new Finding(
                "drive.sample",
                part,
                "clean",
                say("drive.nothing-lost-at-the-random-places"),
                Basis.run()))
        : Optional.empty();
  }

  private static Finding finding(String part, String level, String words) {
    return new Finding("drive.surface", part, level, words, Basis.run());
  }
}
