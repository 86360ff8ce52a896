package tekmerion.core.page;

import java.util.Locale;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;

/** Names of enum constants in camel case. */
final class JsonNames {
  static final Map<String, String> KNOWN = new ConcurrentHashMap<>();

  private JsonNames() {}

  static String of(String constant) {
    StringBuilder json = new StringBuilder();
    for (String word : constant.split("_")) {
      String lower = word.toLowerCase(Locale.ROOT);
      json.append(
          json.isEmpty() ? lower : Character.toUpperCase(lower.charAt(0)) + lower.substring(1));
    }
    return json.toString();
  }
}
