package tekmerion.core.carve;

import java.util.Optional;

/**
 * Documents, archives and databases.
 *
 * @see "PDF: ISO 32000-1, 7.5; ZIP: APPNOTE 6.3.10, 4.3; SQLite: its published database file
 *     format, 1.3 and 1.6"
 */
final class Documents {
  private static final long MAX = 256L << 20;

  private Documents() {}

  /** From its head to the last end mark whose cross-reference lies where it says. */
  static Optional<Carved> pdf(Bytes b, long start) {
    if (!b.says(start, "%PDF-1.") && !b.says(start, "%PDF-2.")) {
      return Optional.empty();
    }
    long end = -1;
    for (long at = start + 8; at - start < MAX && b.at(at) != Bytes.GONE; at++) {
      if (b.at(at) == '%' && b.says(at, "%%EOF") && isReferred(b, start, at)) {
        end = at + 5;
        while (b.at(end) == '\r' || b.at(end) == '\n') {
          end++;
        }
      } else if (at % 512 == 0 && end > 0 && (at - end > 1 << 20 || b.says(at, "%PDF-"))) {
        break; // what is added to a document follows it closely
      }
    }
    return end < 0
        ? Optional.empty()
        : Optional.of(new Carved("pdf", start, end - start, "cross-reference and end"));
  }

  /** "startxref", a number, and at that place a table or a stream of references. */
  private static boolean isReferred(Bytes b, long start, long eof) {
    for (long at = eof - 1; at > eof - 40 && at > start; at--) {
      if (b.says(at, "startxref")) {
        long digit = at + 9;
        while (b.at(digit) == '\r' || b.at(digit) == '\n' || b.at(digit) == ' ') {
          digit++;
        }
        long number = 0;
        int digits = 0;
        while (b.at(digit) >= '0' && b.at(digit) <= '9' && digits < 12) {
          number = 10 * number + b.at(digit) - '0';
          digit++;
          digits++;
        }
        long place = start + number;
        return digits > 0
            && place < at
            && (b.says(place, "xref") || b.at(place) >= '0' && b.at(place) <= '9');
      }
    }
    return false;
  }

  /** Its end record must point back to a list of as many entries as it counts. */
  static Optional<Carved> zip(Bytes b, long start) {
    if (!b.says(start, "PK\u0003\u0004")) {
      return Optional.empty();
    }
    for (long at = start + 30; at - start < MAX && b.at(at) != Bytes.GONE; at++) {
      if (b.at(at) != 'P' || !b.says(at, "PK\u0005\u0006")) {
        continue;
      }
      long entries = b.le(at + 10, 2);
      long listBytes = b.le(at + 12, 4);
      long listAt = b.le(at + 16, 4);
      long comment = b.le(at + 20, 2);
      if (comment >= 0
          && listAt + listBytes == at - start
          && holds(b, start + listAt, entries, at)) {
        return Optional.of(
            new Carved(
                sort(b, start),
                start,
                at + 22 + comment - start,
                "its list of %d entries".formatted(entries)));
      }
    }
    return Optional.empty();
  }

  private static boolean holds(Bytes b, long listAt, long entries, long end) {
    long at = listAt;
    for (long i = 0; i < entries; i++) {
      if (!b.says(at, "PK\u0001\u0002")) {
        return false;
      }
      at += 46 + b.le(at + 28, 2) + b.le(at + 30, 2) + b.le(at + 32, 2);
    }
    return at == end && entries > 0;
  }

  /** By the name of its first entry, and what that says. */
  private static String sort(Bytes b, long start) {
    long content = start + 30 + b.le(start + 26, 2) + b.le(start + 28, 2);
    if (b.says(start + 30, "mimetype")) {
      if (b.says(content, "application/vnd.oasis.opendocument.text")) {
        return "odt";
      }
      if (b.says(content, "application/vnd.oasis.opendocument.spreadsheet")) {
        return "ods";
      }
      return b.says(content, "application/epub+zip") ? "epub" : "zip";
    }
    if (b.says(start + 30, "[Content_Types].xml") || b.says(start + 30, "_rels/")) {
      return "ooxml";
    }
    return "zip";
  }

  /** As many pages as its head counts, and a first one that is a tree's. */
  static Optional<Carved> sqlite(Bytes b, long start) {
    if (!b.says(start, "SQLite format 3\u0000")) {
      return Optional.empty();
    }
    long raw = b.be(start + 16, 2);
    long page = raw == 1 ? 65_536 : raw;
    long pages = b.be(start + 28, 4);
    int tree = b.at(start + 100);
    boolean holds =
        page >= 512
            && Long.bitCount(page) == 1
            && pages > 0
            && page * pages <= MAX
            && b.be(start + 24, 4) == b.be(start + 92, 4)
            && (tree == 0x0D || tree == 0x05)
            && b.at(start + page * pages - 1) != Bytes.GONE;
    return holds
        ? Optional.of(
            new Carved("sqlite", start, page * pages, "head, and %d pages".formatted(pages)))
        : Optional.empty();
  }
}
