package tekmerion.server.inbox;

import java.util.Optional;
import java.util.UUID;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * As much of a message that cannot be read as is needed to keep it: that it is a numbered event.
 *
 * @param requestId that it answers; null if it does not say, or not in a form that is one
 */
public record RawEvent(long number, UUID requestId) {
  private static final JsonMapper JSON = JsonMapper.builder().build();

  /** Empty if it is none. */
  static Optional<RawEvent> of(String text) {
    try {
      JsonNode message = JSON.readTree(text);
      JsonNode number = message.path("number");
      boolean event =
          message.path("type").isString()
              && message.get("type").stringValue().equals("event")
              && number.isIntegralNumber()
              && number.canConvertToLong()
              && number.longValue() > 0;
      return event
          ? Optional.of(
              new RawEvent(number.longValue(), uuid(message.path("event").path("requestId"))))
          : Optional.empty();
    } catch (JacksonException e) {
      return Optional.empty();
    }
  }

  private static UUID uuid(JsonNode node) {
    try {
      return node.isString() ? UUID.fromString(node.stringValue()) : null;
    } catch (IllegalArgumentException e) {
      return null;
    }
  }
}
