package tekmerion.core.knowhow;

import java.io.IOException;
import java.io.InputStream;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tekmerion.words.Language;
import tekmerion.words.Speaking;
import tekmerion.words.Words;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;
import tools.jackson.dataformat.yaml.YAMLMapper;

/**
 * Reads a file of the know-how in the language that is spoken. What people read in it has a key,
 * made of where it stands: {@code knowhow.causes.failing-drive.name}. English stands in the file,
 * other languages in {@code words/knowhow.nb.json} by the same keys.
 */
final class KnowHowFiles {
  private static final String FOLDER = "/tekmerion/knowhow/";
  private static final YAMLMapper YAML = new YAMLMapper();

  /** Fields that people read; "words" of a finding or family is how owners say it, and no text. */
  private static final Set<String> TEXTS =
      Set.of(
          "name",
          "claim",
          "guess",
          "purpose",
          "ask",
          "hint",
          "says",
          "open",
          "nothing",
          "phrase",
          "lookFirst");

  /** Fields whose whole inside is read: a list of steps, the words of levels. */
  private static final Set<String> TEXTS_WITHIN = Set.of("needs", "steps", "decisive");

  /** A step that waits: "Leave it. @180". */
  private static final Pattern STEP = Pattern.compile("(.*\\S)(\\s*@\\d+)");

  private KnowHowFiles() {}

  static <T> T read(String file, Class<T> type) {
    return YAML.treeToValue(translated(file), type);
  }

  /** The file as it stands, with its texts in the language that is spoken. */
  static JsonNode translated(String file) {
    JsonNode tree = tree(file);
    Map<String, String> english = new TreeMap<>();
    JsonNode said = walk(tree, key(file), false, english, Speaking.ENGLISH);
    Words.learn(Language.EN, english);
    Speaking speaking = Words.speaking();
    return speaking.equals(Speaking.ENGLISH)
        ? said
        : walk(tree, key(file), false, english, speaking);
  }

  private static JsonNode tree(String file) {
    try (InputStream in = KnowHowFiles.class.getResourceAsStream(FOLDER + file)) {
      return YAML.readTree(in);
    } catch (IOException e) {
      throw new IllegalStateException("cannot read " + FOLDER + file, e);
    }
  }

  /** Moves are called by their ids, whichever file they stand in. */
  private static String key(String file) {
    return "knowhow." + (file.startsWith("moves/") ? "" : file.replace(".yaml", ""));
  }

  /**
   * @param within whether every text in it is read
   */
  private static JsonNode walk(
      JsonNode node, String key, boolean within, Map<String, String> english, Speaking speaking) {
    if (node instanceof ObjectNode object) {
      ObjectNode made = JsonNodeFactory.instance.objectNode();
      for (Map.Entry<String, JsonNode> field : object.properties()) {
        String name = field.getKey();
        JsonNode value = field.getValue();
        boolean isText =
            within
                || isInstructions(key)
                || TEXTS_WITHIN.contains(name)
                || TEXTS.contains(name) && value.isString()
                || name.equals("levels") && value.isObject()
                || name.equals("words") && value.isString();
        String at = key.isEmpty() ? name : key + "." + name;
        made.set(name, walk(value, at.replace("..", "."), isText, english, speaking));
      }
      return made;
    }
    if (node instanceof ArrayNode array) {
      ArrayNode made = JsonNodeFactory.instance.arrayNode();
      for (int i = 0; i < array.size(); i++) {
        made.add(walk(array.get(i), key + "." + id(array.get(i), i), within, english, speaking));
      }
      return made;
    }
    if (!within || !node.isString()) {
      return node;
    }
    Matcher step = STEP.matcher(node.asString());
    String text = step.matches() ? step.group(1) : node.asString();
    english.put(key, text);
    return speaking.equals(Speaking.ENGLISH)
        ? node
        : JsonNodeFactory.instance.stringNode(
            said(key, text, speaking) + (step.matches() ? step.group(2) : ""));
  }

  private static boolean isInstructions(String key) {
    return key.equals("knowhow.instructions");
  }

  private static String id(JsonNode entry, int place) {
    return entry.has("id")
        ? entry.get("id").asString()
        : entry.has("finding")
            ? entry.get("finding").asString() + "." + entry.get("level").asString()
            : String.valueOf(place + 1);
  }

  /** Its place-holders stay, to be filled in later. */
  private static String said(String key, String text, Speaking speaking) {
    String blank = text.contains("{answer}") ? "answer" : "part";
    return Words.in(
        speaking,
        () ->
            text.contains("{" + blank + "}")
                ? Words.say(key, blank, "{" + blank + "}")
                : Words.say(key));
  }
}
