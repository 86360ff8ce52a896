package tekmerion.core.survey;

import java.util.List;

/**
 * The table of partitions, as far as there is one.
 *
 * @param entries in order of the table
 * @param damage of the table itself
 */
record Table(Scheme scheme, List<Entry> entries, List<Damage> damage) {
  static final Table NONE = new Table(Scheme.NONE, List.of(), List.of());

  Table {
    entries = List.copyOf(entries);
    damage = List.copyOf(damage);
  }

  /** Whether the loss of an entry is noticed by the table itself. */
  boolean hasChecksum() {
    return scheme == Scheme.GPT || scheme == Scheme.HYBRID;
  }

  /**
   * One partition.
   *
   * @param type code or GUID as it stands
   * @param name empty if the table has none
   * @param start of its first byte
   * @param bytes as the table says, whether the source is so large or not
   */
  record Entry(int number, String type, String name, long start, long bytes) {}
}
