package tekmerion.words;

import com.ibm.icu.number.LocalizedNumberFormatter;
import com.ibm.icu.number.NumberFormatter;
import com.ibm.icu.number.Precision;
import com.ibm.icu.text.MessageFormat;
import com.ibm.icu.text.MessagePattern;
import com.ibm.icu.text.MessagePattern.ArgType;
import com.ibm.icu.text.MessagePattern.Part;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * A message that is ready to be said, by several threads at once. Most hold text and arguments
 * only, and are put together from these; one that counts or chooses is ICU's to format.
 */
final class Message {
  /** As ICU's message formats write a number that says nothing of its form. */
  private static final Precision AS_IT_IS = Precision.maxFraction(3);

  /**
   * @param text between two arguments; null for an argument
   * @param name of the argument
   * @param number how its number is written
   */
  private record Piece(String text, String name, LocalizedNumberFormatter number) {}

  private final List<Piece> pieces;
  private final MessageFormat format;

  private Message(List<Piece> pieces, MessageFormat format) {
    this.pieces = pieces;
    this.format = format;
  }

  static Message of(String pattern, Locale locale) {
    List<Piece> pieces = pieces(new MessagePattern(pattern), locale);
    return pieces.isEmpty() && !pattern.isEmpty()
        ? new Message(List.of(), new MessageFormat(pattern, locale))
        : new Message(pieces, null);
  }

  /** None if it counts or chooses. */
  private static List<Piece> pieces(MessagePattern pattern, Locale locale) {
    List<Piece> pieces = new ArrayList<>();
    StringBuilder text = new StringBuilder();
    String all = pattern.getPatternString();
    int at = 0;
    for (int i = 1; i < pattern.countParts(); i++) {
      Part part = pattern.getPart(i);
      text.append(all, at, part.getIndex());
      at = part.getLimit();
      if (part.getType() == Part.Type.ARG_START) {
        int end = pattern.getLimitPartIndex(i);
        String style = style(pattern, i, end);
        if (style == null) {
          return List.of();
        }
        pieces.add(new Piece(text.toString(), null, null));
        text.setLength(0);
        String name = pattern.getSubstring(pattern.getPart(i + 1));
        pieces.add(new Piece(null, name, number(style, locale)));
        i = end;
        at = pattern.getPart(end).getLimit();
      }
    }
    pieces.add(new Piece(text.toString(), null, null));
    return pieces;
  }

  /** Skeleton of how an argument's number is written; empty for none, null if it chooses. */
  private static String style(MessagePattern pattern, int from, int end) {
    ArgType type = pattern.getPart(from).getArgType();
    if (type == ArgType.NONE) {
      return "";
    }
    if (type != ArgType.SIMPLE) {
      return null;
    }
    String given = end - from > 3 ? pattern.getSubstring(pattern.getPart(from + 3)).strip() : "";
    return given.isEmpty() || given.startsWith("::") ? given.replace("::", "") : null;
  }

  private static LocalizedNumberFormatter number(String skeleton, Locale locale) {
    return skeleton.isEmpty()
        ? NumberFormatter.withLocale(locale).precision(AS_IT_IS)
        : NumberFormatter.forSkeleton(skeleton).locale(locale);
  }

  String say(Map<String, Object> values) {
    if (format != null) {
      return format.clone().format(values); // a format may not be used by two threads at once
    }
    StringBuilder said = new StringBuilder();
    for (Piece piece : pieces) {
      if (piece.text() != null) {
        said.append(piece.text());
      } else if (values.get(piece.name()) instanceof Number number) {
        said.append(piece.number().format(number));
      } else {
        said.append(values.getOrDefault(piece.name(), "{" + piece.name() + "}"));
      }
    }
    return said.toString();
  }
}
