package tekmerion.core.drive.ata;

import java.util.Locale;
import tekmerion.core.page.Hex;
import tekmerion.core.page.RawPage;

/**
 * Where a field of IDENTIFY DEVICE data lies and what it holds.
 *
 * @param word first word, 0–255
 * @param words how many words
 * @param highBit highest bit of a one-word field; 15 for longer ones
 * @param lowBit lowest bit; 0 for longer ones
 */
public record IdentifyLayout(Kind kind, int word, int words, int highBit, int lowBit) {
  /** What a field holds, and so what {@link #read} returns. */
  public enum Kind {
    FLAG,
    NUMBER,
    TEXT,
    CODE,
    NAME_64
  }

  public IdentifyLayout {
    if (word < 0
        || words < 1
        || word + words > 256
        || lowBit < 0
        || highBit > 15
        || highBit < lowBit) {
      throw new IllegalArgumentException(
          "outside the page: word %d, %d words".formatted(word, words));
    }
  }

  static IdentifyLayout flag(int word, int bit) {
    return new IdentifyLayout(Kind.FLAG, word, 1, bit, bit);
  }

  static IdentifyLayout bits(int word, int highBit, int lowBit) {
    return new IdentifyLayout(Kind.NUMBER, word, 1, highBit, lowBit);
  }

  static IdentifyLayout number(int word, int words) {
    return new IdentifyLayout(Kind.NUMBER, word, words, 15, 0);
  }

  static IdentifyLayout text(int word, int words) {
    return new IdentifyLayout(Kind.TEXT, word, words, 15, 0);
  }

  static IdentifyLayout code(int word) {
    return new IdentifyLayout(Kind.CODE, word, 1, 15, 0);
  }

  static IdentifyLayout name64(int word) {
    return new IdentifyLayout(Kind.NAME_64, word, 4, 15, 0);
  }

  public int offset() {
    return 2 * word;
  }

  public int length() {
    return 2 * words;
  }

  Object read(RawPage page) {
    return switch (kind) {
      case FLAG -> (page.u16(offset()) >> lowBit & 1) == 1;
      case NUMBER -> readNumber(page);
      case TEXT -> readText(page);
      case CODE -> Hex.code(page.u16(offset()), 4);
      case NAME_64 -> readName(page);
    };
  }

  /** Offset of the first byte that is neither printable ASCII nor NUL padding, or -1. */
  int firstNonText(RawPage page) {
    for (int i = offset(); i < offset() + length(); i++) {
      int b = page.u8(i);
      if (b != 0 && (b < 0x20 || b > 0x7E)) {
        return i;
      }
    }
    return -1;
  }

  private Object readNumber(RawPage page) {
    if (words == 1) {
      return (long) oneWord(page);
    }
    return severalWords(page);
  }

  private int oneWord(RawPage page) {
    return page.u16(offset()) >> lowBit & (1 << highBit - lowBit + 1) - 1;
  }

  private Object severalWords(RawPage page) {
    // ACS-3 limits sector counts to 48 bits; what lies above is kept, as text, not cut off.
    var value = page.bigUnsignedLe(offset(), length());
    if (value.bitLength() > 63) {
      return value.toString();
    }
    return value.longValueExact();
  }

  /** Characters stand in pairs with the first one in the upper byte of the word: ACS-3, 3.4.9. */
  private String readText(RawPage page) {
    StringBuilder text = new StringBuilder();
    for (int i = offset(); i < offset() + length(); i += 2) {
      text.append((char) page.u8(i + 1)).append((char) page.u8(i));
    }
    return text.toString().replace("\0", "").strip();
  }

  private String readName(RawPage page) {
    StringBuilder name = new StringBuilder();
    for (int i = 0; i < words; i++) {
      name.append(String.format(Locale.ROOT, "%04x", page.u16(offset() + 2 * i)));
    }
    return name.toString();
  }
}
