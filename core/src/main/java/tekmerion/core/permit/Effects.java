package tekmerion.core.permit;

import java.util.Set;

/**
 * What something does to a machine: all that its permission depends on.
 *
 * @param invasiveness how invasive it is
 * @param loads what it works for long
 */
public record Effects(Invasiveness invasiveness, Set<Load> loads) {
  public Effects {
    loads = Set.copyOf(loads);
  }

  public static Effects of(Invasiveness invasiveness, Load... loads) {
    return new Effects(invasiveness, Set.of(loads));
  }
}
