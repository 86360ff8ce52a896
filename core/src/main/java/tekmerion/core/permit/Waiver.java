package tekmerion.core.permit;

import java.util.List;

/**
 * What an owner signed about the data on one drive. It is in force if the owner signed on the
 * screen, or if two people of the shop stand for it, and nobody revoked it.
 *
 * @param drive that it names
 * @param holdings what is given up, if not all of it; empty for other scopes
 */
public record Waiver(PartIdentity drive, WaiverScope scope, List<Holding> holdings) {
  /**
   * @throws IllegalArgumentException if holdings are named where they do not belong, or are missing
   */
  public Waiver {
    holdings = List.copyOf(holdings);
    if ((scope == WaiverScope.HOLDINGS) == holdings.isEmpty()) {
      throw new IllegalArgumentException(
          "a waiver of %s with %d holdings".formatted(scope, holdings.size()));
    }
  }

  public static Waiver ofAll(PartIdentity drive) {
    return new Waiver(drive, WaiverScope.ALL_DATA, List.of());
  }
}
