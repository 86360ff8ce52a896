package tekmerion.words;

import java.io.IOException;
import java.io.InputStream;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** The messages of one language, by key. */
final class Catalogue {
  private final Language language;
  private final Map<String, String> patterns = new ConcurrentHashMap<>();
  private final Map<String, Message> ready = new ConcurrentHashMap<>();

  Catalogue(Language language) {
    this.language = language;
    learn(read(language.code() + ".json"));
    if (language != Language.EN) {
      learn(read("knowhow." + language.code() + ".json"));
    }
  }

  private static Map<String, String> read(String name) {
    String file = "/tekmerion/words/" + name;
    try (InputStream in = Catalogue.class.getResourceAsStream(file)) {
      return new JsonMapper().readValue(in, new TypeReference<TreeMap<String, String>>() {});
    } catch (IOException e) {
      throw new IllegalStateException("cannot read " + file, e);
    }
  }

  void learn(Map<String, String> messages) {
    patterns.putAll(messages);
  }

  Map<String, String> patterns() {
    return patterns;
  }

  boolean has(String key) {
    return patterns.containsKey(key);
  }

  /** One that is not known is its key with what it was given, which is better than nothing. */
  String say(String key, Map<String, Object> values) {
    String pattern = patterns.get(key);
    if (pattern == null) {
      return values.isEmpty() ? key : key + " " + values;
    }
    return ready.computeIfAbsent(key, k -> Message.of(pattern, language.locale())).say(values);
  }
}
