package tekmerion.core.permit;

import java.util.Set;

/**
 * What something does to a machine: all that its permission depends on.
 *
 * @param touch how invasive it is
 * @param loads what it works for long
 */
public record Effects(Touch touch, Set<Load> loads) {
  public Effects {
    loads = Set.copyOf(loads);
  }

  public static Effects of(Touch touch, Load... loads) {
    return new Effects(touch, Set.of(loads));
  }
}
