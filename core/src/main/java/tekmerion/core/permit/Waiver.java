package tekmerion.core.permit;

import java.util.List;

/**
 * What an owner signed about the data on one drive. It is in force if the owner signed on the
 * screen, or if two people of the shop stand for it, and nobody revoked it.
 *
 * @param drive that it names
 * @param holdings what is given up, if not all of it; empty for other scopes
 */
public record Waiver(PartIdentity drive, Scope scope, List<Holding> holdings) {
  /** How far it goes. */
  public enum Scope {
    /** All data on the drive may be erased, whatever it is. */
    ALL_DATA,
    /** What is named may be erased. */
    HOLDINGS,
    /** The owner has the data again: the shop's copy may be erased. */
    COPY_RETURNED
  }

  /**
   * @throws IllegalArgumentException if holdings are named where they do not belong, or are missing
   */
  public Waiver {
    holdings = List.copyOf(holdings);
    if ((scope == Scope.HOLDINGS) == holdings.isEmpty()) {
      throw new IllegalArgumentException("a waiver of %s with %d holdings".formatted(scope, holdings.size()));
    }
  }

  public static Waiver ofAll(PartIdentity drive) {
    return new Waiver(drive, Scope.ALL_DATA, List.of());
  }
}
