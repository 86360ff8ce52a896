package tekmerion.launch;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.lang.reflect.ParameterizedType;
import java.lang.reflect.RecordComponent;
import java.lang.reflect.Type;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Base64;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import tekmerion.link.BenchLink;
import tekmerion.link.LinkEvent;
import tekmerion.link.ToServer;
import tools.jackson.core.json.JsonWriteFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * Messages as a probe on an infected machine may send them: in the shape of the bench link, read
 * off its records, with plausible, wild or wrong values in it; and what is no message at all.
 * Seeded.
 */
public final class HostileMessages {

  /** With escapes: so half a character, too, gets over the link. */
  private static final JsonMapper JSON =
      JsonMapper.builder().enable(JsonWriteFeature.ESCAPE_NON_ASCII).build();

  private static final JsonNodeFactory NODES = JsonNodeFactory.instance;

  /** Every message but the numbered ones. */
  private static final List<Class<?>> OTHERS =
      Arrays.stream(ToServer.class.getPermittedSubclasses())
          .filter(c -> c != ToServer.Event.class)
          .<Class<?>>map(c -> c)
          .toList();

  private static final List<String> PLAUSIBLE =
      List.of("drive-a", "drive-b", "ata-smart", "nvme-health", "board", "battery", "memory", "");
  private static final List<String> WILD =
      List.of(
          "\u0000",
          "'; DROP TABLE job; --",
          "../../../etc/passwd",
          "=1+1",
          "\u202Egnp.exe",
          "\uD800",
          "<script>alert(1)</script>",
          "${jndi:ldap://nowhere}",
          "%n%s%x",
          "\u6E2F\uD83D\uDEE0\uFE0F",
          "\r\n\r\n",
          "NaN");
  private static final long[] NUMBERS = {
    0, 1, -1, 7, 512, 4096, Integer.MAX_VALUE, Integer.MIN_VALUE, Long.MAX_VALUE, Long.MIN_VALUE
  };
  private static final List<String> MOMENTS =
      List.of(
          "2099-01-01T00:00:00Z",
          "1970-01-01T00:00:00Z",
          "+99999-12-31T23:59:59Z",
          "-0044-03-15T12:00:00Z",
          "+1000000000-12-31T23:59:59.999999999Z",
          "2026-02-30T00:00:00Z",
          "yesterday");

  private final Random random;
  private final List<UUID> known = new ArrayList<>();

  /** How often a value is wild instead of plausible, in this message. */
  private double wild;

  public HostileMessages(long seed) {
    random = new Random(seed);
  }

  /** A request that the server made, of this probe or of another. */
  public synchronized void know(UUID request) {
    known.add(request);
  }

  /**
   * @param text as it goes over the link
   * @param number of the event that it is for certain, whatever is in it; 0 if it is none
   */
  public record Message(String text, long number) {}

  /**
   * @param next the number that the server waits for
   */
  public synchronized Message message(long next) {
    wild = List.of(0.0, 0.05, 0.3, 1.0).get(random.nextInt(4));
    double what = random.nextDouble();
    if (what < 0.35) {
      return event(next);
    }
    if (what < 0.985) {
      wild /= 6; // one of these that cannot be read ends the connection
      ObjectNode node = (ObjectNode) record(OTHERS.get(random.nextInt(OTHERS.size())), 0);
      node.put("type", nameOf(ToServer.class, node));
      return new Message(JSON.writeValueAsString(named(node)), 0);
    }
    return new Message(broken(), 0);
  }

  /** An event with the number that is waited for, so that it must be answered; rarely another. */
  private Message event(long next) {
    ObjectNode event = NODES.objectNode();
    event.put("type", "event");
    boolean inTurn = random.nextDouble() < 0.95;
    event.put("number", inTurn ? next : number());
    event.set("event", value(LinkEvent.class, 0));
    String text = JSON.writeValueAsString(event);
    // A longer one is no message of the link: the connection ends, and nobody owes an answer.
    boolean fits = text.length() <= BenchLink.MAX_MESSAGE_CHARS;
    return new Message(text, inTurn && fits ? next : 0);
  }

  private ObjectNode named(ObjectNode node) {
    node.remove("class");
    return node;
  }

  private static String nameOf(Class<?> of, ObjectNode node) {
    for (JsonSubTypes.Type type : of.getAnnotation(JsonSubTypes.class).value()) {
      if (type.value().getName().equals(node.path("class").asString(""))) {
        return type.name();
      }
    }
    throw new IllegalStateException("no name for " + node);
  }

  private String broken() {
    String whole = JSON.writeValueAsString(value(ToServer.Event.class, 0));
    return switch (random.nextInt(7)) {
      case 0 -> whole.substring(0, random.nextInt(whole.length()));
      case 1 -> "[".repeat(random.nextInt(6000));
      case 2 -> "{\"type\":\"event\",\"number\":1e400}";
      case 3 -> "{\"type\":\"event\",\"type\":\"hello\",\"number\":\"7\"}";
      case 4 -> "null";
      case 5 -> WILD.get(random.nextInt(WILD.size())).replace('\uD800', '?');
      default -> {
        StringBuilder flipped = new StringBuilder(whole);
        for (int i = 0; i < 4; i++) {
          flipped.setCharAt(random.nextInt(flipped.length()), (char) (32 + random.nextInt(95)));
        }
        yield flipped.toString();
      }
    };
  }

  private boolean isWild() {
    return random.nextDouble() < wild;
  }

  private JsonNode value(Type type, int depth) {
    if (isWild() && random.nextInt(4) == 0) {
      return otherKind();
    }
    if (type instanceof ParameterizedType generic) {
      return collection(generic, depth);
    }
    Class<?> of = (Class<?>) type;
    if (of.isAnnotationPresent(JsonSubTypes.class) && !of.isRecord()) {
      return oneOf(of, depth);
    }
    if (of.isRecord()) {
      return record(of, depth);
    }
    return single(of);
  }

  private JsonNode oneOf(Class<?> of, int depth) {
    JsonSubTypes.Type[] types = of.getAnnotation(JsonSubTypes.class).value();
    JsonSubTypes.Type type = types[random.nextInt(types.length)];
    JsonNode node = record(type.value(), depth);
    if (node instanceof ObjectNode object) {
      object.remove("class");
      object.put(of.getAnnotation(JsonTypeInfo.class).property(), type.name());
    }
    return node;
  }

  private JsonNode record(Class<?> of, int depth) {
    ObjectNode node = NODES.objectNode();
    for (RecordComponent component : of.getRecordComponents()) {
      if (!(isWild() && random.nextInt(6) == 0)) {
        node.set(component.getName(), value(component.getGenericType(), depth + 1));
      }
    }
    if (depth == 0 && ToServer.class.isAssignableFrom(of)) {
      node.put("class", of.getName());
    }
    return node;
  }

  private JsonNode collection(ParameterizedType type, int depth) {
    Type[] of = type.getActualTypeArguments();
    int size = isWild() && depth < 4 && random.nextInt(60) == 0 ? 1500 : random.nextInt(4);
    if (Map.class.isAssignableFrom((Class<?>) type.getRawType())) {
      ObjectNode map = NODES.objectNode();
      for (int i = 0; i < Math.min(size, 3); i++) {
        map.set(text(), value(of[1], depth + 1));
      }
      return map;
    }
    ArrayNode list = NODES.arrayNode();
    JsonNode first = value(of[0], depth + 1);
    for (int i = 0; i < size; i++) {
      list.add(size > 10 ? first : value(of[0], depth + 1)); // many of one are enough
    }
    return list;
  }

  private JsonNode single(Class<?> of) {
    if (of == UUID.class) {
      boolean asked = !known.isEmpty() && random.nextDouble() < 0.7;
      return NODES.stringNode(
          isWild()
              ? text()
              : asked
                  ? known.get(random.nextInt(known.size())).toString()
                  : new UUID(random.nextLong(), random.nextLong()).toString());
    }
    if (of == Instant.class) {
      return NODES.stringNode(
          isWild() ? MOMENTS.get(random.nextInt(MOMENTS.size())) : Instant.now().toString());
    }
    if (of.isEnum()) {
      Object[] all = of.getEnumConstants();
      return NODES.stringNode(isWild() ? text() : all[random.nextInt(all.length)].toString());
    }
    if (of == boolean.class || of == Boolean.class) {
      return NODES.booleanNode(random.nextBoolean());
    }
    if (of == double.class || of == Double.class || of == float.class) {
      return isWild() ? NODES.numberNode(number() * 1e290) : NODES.numberNode(random.nextDouble());
    }
    if (of.isPrimitive() || Number.class.isAssignableFrom(of)) {
      return NODES.numberNode(isWild() ? number() : random.nextInt(3));
    }
    if (of == byte[].class) {
      return NODES.stringNode(base64());
    }
    return NODES.stringNode(random.nextInt(4) == 0 ? base64() : isWild() ? text() : plausible());
  }

  private String base64() {
    byte[] bytes = new byte[random.nextInt(8) == 0 ? 4096 : 512];
    random.nextBytes(bytes);
    return Base64.getEncoder().encodeToString(bytes);
  }

  private String plausible() {
    return PLAUSIBLE.get(random.nextInt(PLAUSIBLE.size()));
  }

  private String text() {
    return random.nextInt(40) == 0
        ? "w".repeat(random.nextInt(5000))
        : WILD.get(random.nextInt(WILD.size()));
  }

  private long number() {
    return random.nextInt(4) == 0 ? random.nextLong() : NUMBERS[random.nextInt(NUMBERS.length)];
  }

  private JsonNode otherKind() {
    return switch (random.nextInt(6)) {
      case 0 -> NODES.nullNode();
      case 1 -> NODES.numberNode(number());
      case 2 -> NODES.stringNode(text());
      case 3 -> NODES.arrayNode();
      case 4 -> NODES.objectNode();
      default -> NODES.booleanNode(true);
    };
  }
}
