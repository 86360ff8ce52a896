package tekmerion.link;

import tools.jackson.core.JacksonException;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** Messages to JSON and back. Unknown fields are let pass, so that either end may be newer. */
public final class LinkCodec {
  private static final JsonMapper MAPPER =
      JsonMapper.builder().disable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES).build();

  private LinkCodec() {}

  public static String encode(Object message) {
    return MAPPER.writeValueAsString(message);
  }

  /**
   * @throws LinkFormatException if {@code json} is no message of that type, or too long
   */
  public static <T> T decode(String json, Class<T> type) {
    return decode(json, type, BenchLink.MAX_MESSAGE_CHARS);
  }

  /**
   * The same of what did not come over the link, and may be longer.
   *
   * @param maxChars that it may have
   */
  public static <T> T decode(String json, Class<T> type, int maxChars) {
    if (json.length() > maxChars) {
      throw new LinkFormatException("message has %d characters".formatted(json.length()));
    }
    try {
      T message = MAPPER.readValue(json, type);
      if (message == null) {
        throw new LinkFormatException("message is null");
      }
      return message;
    } catch (JacksonException | NullPointerException e) {
      throw new LinkFormatException(
          "not a %s message: %s".formatted(type.getSimpleName(), firstLine(e)), e);
    }
  }

  private static String firstLine(Exception e) {
    String message = e.getMessage() == null ? e.getClass().getSimpleName() : e.getMessage();
    return message.lines().findFirst().orElse("");
  }
}
