package tekmerion.words;

import java.util.LinkedHashMap;
import java.util.Map;

/**
 * Messages within text: {@code ⟦key|name=value|count#=3⟧}. A value may hold messages itself; a name
 * that ends with # has a number. Text around messages is text. What people type never holds the
 * brackets: {@link #plain} takes them out where it comes in.
 */
final class Coded {
  static final char OPEN = '\u27e6';
  static final char CLOSE = '\u27e7';
  private static final char BAR = '|';
  private static final int MAX_DEPTH = 12;

  /** No text of ours is longer [characters]: messages within messages could double it each time. */
  private static final int MAX_CHARS = 20_000;

  /** Stands for a bar within a value; nobody types it, see {@link #plain}. */
  private static final char OTHER_BAR = '\u2758';

  private Coded() {}

  static boolean isIn(String text) {
    return text.indexOf(OPEN) >= 0;
  }

  /** Without what could be taken for a message. */
  static String plain(String text) {
    return text.replace(OPEN, '[').replace(CLOSE, ']').replace(OTHER_BAR, BAR);
  }

  static String of(String key, Map<String, Object> values) {
    StringBuilder code = new StringBuilder().append(OPEN).append(key);
    values.forEach(
        (name, value) -> {
          code.append(BAR).append(name);
          if (value instanceof Number) {
            code.append("#=").append(value);
          } else {
            code.append('=').append(value(String.valueOf(value)));
          }
        });
    return code.append(CLOSE).toString();
  }

  /** A bar of the value's own, outside of messages in it, would end it. */
  private static String value(String value) {
    if (value.indexOf(BAR) < 0) {
      return value;
    }
    StringBuilder safe = new StringBuilder();
    int depth = 0;
    for (char c : value.toCharArray()) {
      depth += c == OPEN ? 1 : c == CLOSE ? -1 : 0;
      safe.append(c == BAR && depth == 0 ? OTHER_BAR : c);
    }
    return safe.toString();
  }

  /** How a message is made into text. */
  interface Saying {
    String say(String key, Map<String, Object> values);
  }

  /** Text with every message in it said; a bracket that none closes stays as it is. */
  static String read(String text, Saying saying) {
    return read(text, saying, 0);
  }

  /** Deeper than any message of ours goes, text is left as it is: it was made by somebody else. */
  private static String read(String text, Saying saying, int depth) {
    if (depth > MAX_DEPTH) {
      return text;
    }
    StringBuilder read = new StringBuilder();
    int at = 0;
    while (at < text.length()) {
      int open = text.indexOf(OPEN, at);
      int close = open < 0 ? -1 : closing(text, open);
      if (close < 0) {
        return read.append(text, at, text.length()).toString();
      }
      read.append(text, at, open).append(message(text.substring(open + 1, close), saying, depth));
      at = close + 1;
      if (read.length() > MAX_CHARS) {
        return read.substring(0, MAX_CHARS) + "…";
      }
    }
    return read.toString();
  }

  private static String message(String inside, Saying saying, int depth) {
    Map<String, Object> values = new LinkedHashMap<>();
    int bar = nextBar(inside, 0);
    String key = inside.substring(0, bar);
    while (bar < inside.length()) {
      int end = nextBar(inside, bar + 1);
      String pair = inside.substring(bar + 1, end);
      int is = pair.indexOf('=');
      if (is > 0 && pair.charAt(is - 1) == '#') {
        values.put(pair.substring(0, is - 1), number(pair.substring(is + 1)));
      } else if (is > 0) {
        // Only once it is read: a bar within a message within it is that one's own.
        String value = read(pair.substring(is + 1), saying, depth + 1);
        values.put(pair.substring(0, is), value.replace(OTHER_BAR, BAR));
      }
      bar = end;
    }
    return saying.say(key, values);
  }

  private static Object number(String digits) {
    try {
      return digits.matches("-?\\d{1,18}") ? (Object) Long.valueOf(digits) : Double.valueOf(digits);
    } catch (NumberFormatException e) {
      return digits;
    }
  }

  private static int closing(String text, int open) {
    int depth = 0;
    for (int i = open; i < text.length(); i++) {
      depth += text.charAt(i) == OPEN ? 1 : text.charAt(i) == CLOSE ? -1 : 0;
      if (depth == 0) {
        return i;
      }
    }
    return -1;
  }

  private static int nextBar(String text, int from) {
    int depth = 0;
    for (int i = from; i < text.length(); i++) {
      char c = text.charAt(i);
      depth += c == OPEN ? 1 : c == CLOSE ? -1 : 0;
      if (c == BAR && depth == 0) {
        return i;
      }
    }
    return text.length();
  }
}
