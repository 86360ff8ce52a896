package tekmerion.server.exchange;

import static tekmerion.words.Words.say;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.regex.Pattern;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipInputStream;
import tekmerion.link.BenchLink;
import tekmerion.server.photo.Photos;
import tekmerion.server.problem.Refusal;

/**
 * The files of an archive, unpacked within bounds. Each name is one that an archive of ours has,
 * and each file is cut off at what its kind may hold, so that a small archive never becomes a large
 * amount of memory.
 */
final class ArchiveFiles {
  /** Files of one job: pages of its readings, mostly. */
  static final int MAX_FILES = 5_000;

  /** All files together, unpacked. */
  static final long MAX_BYTES = 96L << 20;

  /** Of the tables. */
  static final int MAX_TABLES_BYTES = 24 << 20;

  private static final int MAX_REPORT_BYTES = 16 << 20;
  private static final int END_SIGNATURE = 0x06054b50;
  private static final int END_BYTES = 22;
  private static final Pattern HASH = Pattern.compile("[0-9a-f]{64}");

  private ArchiveFiles() {}

  /**
   * @return contents by name, without the report and the schema, which are not read
   * @throws Refusal 400 if it is no archive of ours, or holds more than any job does
   */
  static Map<String, byte[]> unpack(byte[] zip) {
    Map<String, byte[]> files = new LinkedHashMap<>();
    long bytes = 0;
    int entries = 0;
    try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(zip))) {
      for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
        int most = most(entry.getName());
        byte[] content = in.readNBytes((int) Math.min(most + 1L, MAX_BYTES - bytes + 1));
        bytes += content.length;
        if (content.length > most || bytes > MAX_BYTES || ++entries > MAX_FILES) {
          throw unfit(say("exchange.it-holds-more-than-any-job"));
        }
        if (isRead(entry.getName()) && files.put(entry.getName(), content) != null) {
          throw unfit(say("exchange.a-file-stands-in-it-twice"));
        }
      }
    } catch (ZipException | IllegalArgumentException e) {
      throw unfit(say("exchange.it-is-no-archive-or-is"));
    } catch (IOException e) {
      throw unfit(say("exchange.it-is-no-archive-or-breaks"));
    }
    if (!endsAfter(entries, zip)) {
      throw unfit(say("exchange.it-is-no-archive-or-breaks"));
    }
    if (!files.containsKey(JobArchive.JOB_FILE)) {
      throw unfit(say("exchange.there-is-no-in-it", "jobFile", JobArchive.JOB_FILE));
    }
    return files;
  }

  /**
   * Whether the end record is there and counts as many files: one that was cut off between two
   * files reads well up to there.
   *
   * @see "APPNOTE.TXT 6.3.10, 4.3.16: end of central directory record"
   */
  private static boolean endsAfter(int entries, byte[] zip) {
    ByteBuffer bytes = ByteBuffer.wrap(zip).order(ByteOrder.LITTLE_ENDIAN);
    int least = Math.max(0, zip.length - END_BYTES - 0xffff);
    for (int at = zip.length - END_BYTES; at >= least; at--) {
      if (bytes.getInt(at) == END_SIGNATURE) {
        int counted = Short.toUnsignedInt(bytes.getShort(at + 10));
        int comment = Short.toUnsignedInt(bytes.getShort(at + 20));
        return counted == entries && at + END_BYTES + comment == zip.length;
      }
    }
    return false;
  }

  private static boolean isRead(String name) {
    return !name.equals(JobArchive.SCHEMA) && !name.equals(JobArchive.REPORT);
  }

  private static int most(String name) {
    if (name.equals(JobArchive.JOB_FILE)) {
      return MAX_TABLES_BYTES;
    }
    if (name.equals(JobArchive.SCHEMA) || name.equals(JobArchive.REPORT)) {
      return MAX_REPORT_BYTES;
    }
    if (isNamed(name, JobArchive.PAGES)) {
      return BenchLink.MAX_PAGE_BYTES;
    }
    if (isNamed(name, JobArchive.PHOTOS)) {
      return Photos.MAX_BYTES;
    }
    throw unfit(say("exchange.it-has-a-file-that-no"));
  }

  private static boolean isNamed(String name, String folder) {
    return name.startsWith(folder) && HASH.matcher(name.substring(folder.length())).matches();
  }

  static Refusal unfit(String what) {
    return Refusal.badRequest(what, say("exchange.export-it-again-where-it-comes"));
  }
}
