package tekmerion.core.drive.ata;

import static tekmerion.words.Words.say;

import java.io.IOException;
import java.io.InputStream;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tekmerion.core.page.RawPage;
import tools.jackson.dataformat.yaml.YAMLMapper;

/**
 * What attributes are called and by which rules their raw values may be read. Data, in {@code
 * knowhow/ata-attributes.yaml}; immutable once loaded.
 */
public final class AttributeBook {
  private static final String RESOURCE = "/tekmerion/knowhow/ata-attributes.yaml";
  private static final AttributeBook SHIPPED = load();

  private final Map<Integer, Entry> byId;

  /**
   * @param rules in the order in which they are tried; the first plausible one is used
   * @param course how it goes over time; a counter if the book says nothing
   * @param harm whether more of it is worse
   */
  public record Entry(int id, List<RawRule> rules, Course course, Boolean harm) {
    public Entry {
      rules = List.copyOf(rules);
      course = course == null ? Course.COUNTER : course;
      harm = Boolean.TRUE.equals(harm);
    }

    public String name() {
      return say("attribute." + id);
    }
  }

  /** How an attribute goes over time. */
  public enum Course {
    /** May only rise: a fall is a reset. */
    COUNTER,
    /** Scatters around a level. */
    LEVEL,
    /** Rises, and may fall again for good reasons, as sectors that wait do. */
    EITHER
  }

  private AttributeBook(Map<Integer, Entry> byId) {
    this.byId = Collections.unmodifiableMap(byId);
  }

  /** The book that ships with the product. */
  public static AttributeBook shipped() {
    return SHIPPED;
  }

  public Optional<String> nameOf(int attributeId) {
    return Optional.ofNullable(byId.get(attributeId)).map(Entry::name);
  }

  /** Empty if nobody knows the attribute. */
  public Optional<Entry> entry(int attributeId) {
    return Optional.ofNullable(byId.get(attributeId));
  }

  /** Empty if no rule gives a value that can be true: then only the raw bytes are to be shown. */
  public Optional<RawMeaning> meaningOf(SmartAttribute attribute) {
    Entry entry = byId.get(attribute.id());
    List<RawRule> rules = entry == null ? List.of(RawRule.COUNT_48) : entry.rules();
    return rules.stream().flatMap(rule -> rule.read(attribute).stream()).findFirst();
  }

  /**
   * The same for a raw value without its page.
   *
   * @param raw 48 bits, 0 to 2^48 - 1
   */
  public Optional<RawMeaning> meaningOf(int attributeId, long raw) {
    byte[] entry = new byte[SmartAttribute.ENTRY_BYTES];
    for (int i = 0; i < 6; i++) {
      entry[5 + i] = (byte) (raw >> 8 * i);
    }
    return meaningOf(new SmartAttribute(0, attributeId, 0, 0, 0, raw, new RawPage(entry)));
  }

  private static AttributeBook load() {
    try (InputStream in = AttributeBook.class.getResourceAsStream(RESOURCE)) {
      Map<Integer, Entry> byId = new HashMap<>();
      for (Entry entry : new YAMLMapper().readValue(in, Entry[].class)) {
        if (byId.put(entry.id(), entry) != null || entry.rules().isEmpty()) {
          throw new IllegalStateException(
              "%s: attribute %d stands twice or has no rule".formatted(RESOURCE, entry.id()));
        }
      }
      return new AttributeBook(byId);
    } catch (IOException e) {
      throw new IllegalStateException("cannot read " + RESOURCE, e);
    }
  }
}
