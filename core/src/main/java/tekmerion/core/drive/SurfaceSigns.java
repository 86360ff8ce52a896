package tekmerion.core.drive;

import java.util.Optional;
import tekmerion.core.sign.Sign;
import tekmerion.core.sign.Sign.Basis;

/** The sign that a surface pass gives. */
public final class SurfaceSigns {
  private static final long MANY = 10;
  private static final double WHOLE = 0.99;

  private SurfaceSigns() {}

  /**
   * @param shareRead of the drive, or of the places of the sample, 0 to 1
   * @param badSectors that could not be read
   * @param slowZones how many stand out
   * @return empty if too little was read to call it clean: unknown is not absent
   */
  public static Optional<Sign> of(
      String part, double shareRead, long badSectors, int slowZones, boolean sampledOnly) {
    boolean whole = shareRead >= WHOLE && !sampledOnly;
    if (badSectors > 0) {
      return Optional.of(
          sign(
              part,
              badSectors < MANY ? "some-unreadable" : "many-unreadable",
              "%,d %s could not be read in a surface pass"
                  .formatted(badSectors, badSectors == 1 ? "sector" : "sectors")));
    }
    if (slowZones > 0) {
      return Optional.of(
          sign(
              part,
              "slow",
              "%d slow %s in a surface pass, nothing unreadable"
                  .formatted(slowZones, slowZones == 1 ? "zone" : "zones")));
    }
    if (whole) {
      return Optional.of(sign(part, "clean", "A whole surface pass: every sector was read"));
    }
    return sampledOnly && shareRead >= WHOLE
        ? Optional.of(
            new Sign(
                "drive.sample",
                part,
                "clean",
                "Nothing lost at the random places of a sample",
                Basis.run()))
        : Optional.empty();
  }

  private static Sign sign(String part, String level, String words) {
    return new Sign("drive.surface", part, level, words, Basis.run());
  }
}
