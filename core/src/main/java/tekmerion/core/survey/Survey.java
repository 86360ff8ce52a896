package tekmerion.core.survey;

import static tekmerion.words.Words.say;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import tekmerion.core.page.RawPage;
import tekmerion.core.port.ByteSource;

/**
 * What is on a source, from selected sectors of its own, and why it is not readable.
 *
 * @param sizeBytes of the source
 * @param parts partitions in order of the table, then volumes that no entry names; one that is the
 *     whole source if there is neither
 * @param damage of the table, and what does not fit
 * @param failedReads looks that failed
 */
public record Survey(
    long sizeBytes,
    Scheme scheme,
    List<Part> parts,
    List<Damage> damage,
    int failedReads,
    Reason reason) {
  /** What most systems in a shop read without more. */
  public static final Set<Content> READ_BY_MOST =
      EnumSet.of(
          Content.FAT12,
          Content.FAT16,
          Content.FAT32,
          Content.EXFAT,
          Content.NTFS,
          Content.ISO_9660,
          Content.UDF);

  private static final String MBR_DYNAMIC = "42";
  private static final String GPT_DYNAMIC = "af9b60a0-1431-4f62-bc68-3311714a69ad";

  private static final int LOOK_BYTES = 4096;
  private static final int LOOKS = 24;

  /** So much of the beginning is looked at whole before it is called blank. */
  private static final long FIRST_BYTES = 4 << 20;

  /** Random bytes: 4,096 of them have about 7.95 bits each; compressed files a little less. */
  private static final double RANDOM_BITS = 7.9;

  /**
   * One stretch.
   *
   * @param number in the table; 0 for the whole source; one more for each volume that no entry
   *     names
   * @param type code or GUID of the table; empty without one
   */
  public record Part(int number, String type, String name, long start, long bytes, Volume volume) {
    /** A volume that no entry of a table names. */
    public boolean isStray() {
      return number > 0 && type.isEmpty();
    }
  }

  public Survey {
    parts = List.copyOf(parts);
    damage = List.copyOf(damage);
  }

  /**
   * @param readable file systems that the owner's system reads
   */
  public static Survey of(ByteSource source, Set<Content> readable) {
    Window w = Window.whole(source);
    Table table = Tables.read(w);
    List<Part> parts = new ArrayList<>();
    List<Damage> damage = new ArrayList<>(table.damage());
    if (table.scheme() == Scheme.NONE || table.entries().isEmpty()) {
      Volume whole = volume(w);
      if (whole.content().isKnown() || !strays(w, table, parts, damage)) {
        parts.add(new Part(0, "", "", 0, w.size(), whole));
      }
    } else {
      for (Table.Entry entry : table.entries()) {
        Window part = w.part(entry.start(), entry.bytes());
        parts.add(
            new Part(
                entry.number(),
                entry.type(),
                entry.name(),
                entry.start(),
                entry.bytes(),
                volume(part, entry.type())));
      }
      misfits(w.size(), parts, damage);
      if (!table.hasChecksum()) {
        strays(w, table, parts, damage);
      }
    }
    boolean bySelf =
        table.entries().isEmpty()
            && table.damage().isEmpty()
            && parts.stream().anyMatch(p -> p.number() == 0 && p.volume().content().isKnown());
    return new Survey(
        w.size(),
        bySelf ? Scheme.NONE : table.scheme(),
        parts,
        damage,
        w.failedReads(),
        reason(table, parts, damage, w.failedReads(), readable));
  }

  /**
   * Volumes without an entry, as parts without a type. They speak for a lost entry where nothing
   * else does: a table that holds by its own checksum has lost none.
   */
  private static boolean strays(Window w, Table table, List<Part> parts, List<Damage> damage) {
    List<Strays.Stray> found = Strays.find(w, table.entries());
    for (Strays.Stray stray : found) {
      int number = parts.stream().mapToInt(Part::number).max().orElse(0) + 1;
      parts.add(
          new Part(
              number,
              "",
              say("survey.without-an-entry"),
              stray.start(),
              stray.bytes(),
              stray.volume()));
      damage.add(
          new Damage(
              say("survey.no-entry-of-a-table-of", "content", stray.volume().content().words()),
              stray.start(),
              512,
              Optional.empty()));
    }
    return !found.isEmpty();
  }

  /** Overlaps, and what goes past the end. */
  private static void misfits(long size, List<Part> parts, List<Damage> damage) {
    for (Part part : parts) {
      if (part.start() + part.bytes() > size) {
        damage.add(
            new Damage(
                say("survey.partition-goes-past-the-end-of", "part", part.number()),
                part.start(),
                512,
                Optional.empty()));
      }
      for (Part other : parts) {
        if (other.number() > part.number()
            && part.start() < other.start() + other.bytes()
            && other.start() < part.start() + part.bytes()) {
          damage.add(
              new Damage(
                  say(
                      "survey.partitions-and-overlap",
                      "part",
                      part.number(),
                      "other",
                      other.number()),
                  Math.max(part.start(), other.start()),
                  512,
                  Optional.empty()));
        }
      }
    }
  }

  /** A type that says more than what stands there, which is the group's alone to tell. */
  private static Volume volume(Window w, String type) {
    Volume volume = volume(w);
    boolean dynamic = type.equals(MBR_DYNAMIC) || type.equals(GPT_DYNAMIC);
    return dynamic && !volume.content().isKnown() ? Volume.of(Content.DYNAMIC_DISK) : volume;
  }

  private static Volume volume(Window w) {
    int failedBefore = w.failedReads();
    return BootSectors.recognise(w)
        .or(() -> Superblocks.recognise(w))
        .or(() -> BootSectors.fromBackup(w))
        .or(() -> Superblocks.fromBackup(w))
        .map(v -> withEnd(v, w))
        .orElseGet(() -> Volume.of(unnamed(w, failedBefore)));
  }

  /** What tells its length must have that much room. */
  private static Volume withEnd(Volume volume, Window w) {
    return volume.sizeBytes().orElse(0) <= w.size()
        ? volume
        : volume.with(
            new Damage(
                say("survey.it-says-that-it-is-longer"),
                w.start() + w.size() / 512 * 512,
                512,
                Optional.empty()));
  }

  /** By looks spread over it. */
  private static Content unnamed(Window w, int failedBefore) {
    int uniform = 0;
    int random = 0;
    int looked = 0;
    for (int i = 0; i < LOOKS; i++) {
      long at = Math.max(0, w.size() - LOOK_BYTES) / Math.max(1, LOOKS - 1) * i;
      Optional<RawPage> page = w.at(at / 512 * 512, (int) Math.min(LOOK_BYTES, w.size()));
      if (page.isPresent()) {
        looked++;
        uniform += page.get().isFilledWith(0) || page.get().isFilledWith(0xFF) ? 1 : 0;
        random += bits(page.get()) >= RANDOM_BITS ? 1 : 0;
      }
    }
    if (looked == 0 || w.failedReads() > failedBefore + LOOKS / 2) {
      return Content.UNREADABLE;
    }
    if (uniform == looked) {
      return isUniformAtFirst(w) ? Content.BLANK : Content.UNKNOWN;
    }
    return random == looked ? Content.RANDOM : Content.UNKNOWN;
  }

  /** What was ever set up left something there: nobody is told "blank" by a few looks alone. */
  private static boolean isUniformAtFirst(Window w) {
    for (long at = 0; at < Math.min(FIRST_BYTES, w.size()); at += LOOK_BYTES) {
      int length = (int) Math.min(LOOK_BYTES, w.size() - at);
      Optional<RawPage> page = w.at(at, length);
      if (page.isEmpty() || !page.get().isFilledWith(0) && !page.get().isFilledWith(0xFF)) {
        return false;
      }
    }
    return true;
  }

  /** Entropy of its bytes [bits each]. */
  static double bits(RawPage page) {
    int[] counts = new int[256];
    for (byte b : page.bytes()) {
      counts[b & 0xFF]++;
    }
    double bits = 0;
    for (int count : counts) {
      if (count > 0) {
        double p = (double) count / page.size();
        bits -= p * Math.log(p) / Math.log(2);
      }
    }
    return bits;
  }

  /** The gravest first: what cannot be read hides everything else. */
  private static Reason reason(
      Table table, List<Part> parts, List<Damage> damage, int failed, Set<Content> readable) {
    boolean named = parts.stream().anyMatch(p -> p.volume().content().isKnown());
    boolean tableUnread = table.scheme() == Scheme.NONE && parts.get(0).start() > 0;
    if (failed > 0
        && (!named
            || tableUnread
            || parts.stream().anyMatch(p -> p.volume().content() == Content.UNREADABLE))) {
      return Reason.FAILING_READS;
    }
    if (!table.damage().isEmpty()) {
      return Reason.DAMAGED_TABLE;
    }
    if (!damage.isEmpty()) {
      return Reason.DAMAGED_TABLE;
    }
    if (parts.stream().anyMatch(p -> !p.volume().damage().isEmpty())) {
      return Reason.DAMAGED_BOOT_SECTOR;
    }
    if (failed > 0) {
      return Reason.FAILING_READS; // nothing is called sound, or only foreign, that was not read
    }
    if (parts.stream().anyMatch(p -> p.volume().content().isEncrypted())) {
      return Reason.ENCRYPTED;
    }
    if (!named) {
      Content first = parts.get(0).volume().content();
      if (table.scheme() != Scheme.NONE && table.entries().isEmpty()) {
        return Reason.NO_PARTITIONS;
      }
      return first == Content.BLANK
          ? Reason.BLANK
          : first == Content.RANDOM ? Reason.MAYBE_ENCRYPTED : Reason.UNKNOWN;
    }
    boolean foreign =
        parts.stream()
            .map(p -> p.volume().content())
            .filter(Content::isKnown)
            .noneMatch(readable::contains);
    return foreign ? Reason.FOREIGN_FILE_SYSTEM : Reason.HEALTHY;
  }
}
