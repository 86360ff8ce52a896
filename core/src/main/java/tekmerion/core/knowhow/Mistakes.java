package tekmerion.core.knowhow;

import java.util.List;

/** Everything in a know-how that does not hold together. */
public final class Mistakes extends IllegalArgumentException {
  private static final long serialVersionUID = 1L;
  private final transient List<String> all;

  Mistakes(List<String> all) {
    super("know-how: " + String.join("; ", all));
    this.all = List.copyOf(all);
  }

  public List<String> all() {
    return all;
  }
}
