package tekmerion.core.survey;

import static tekmerion.words.Words.say;

/** What a stretch can hold, as far as it is told apart. */
public enum Content {
  FAT12("FAT12", Kind.FILE_SYSTEM),
  FAT16("FAT16", Kind.FILE_SYSTEM),
  FAT32("FAT32", Kind.FILE_SYSTEM),
  EXFAT("exFAT", Kind.FILE_SYSTEM),
  NTFS("NTFS", Kind.FILE_SYSTEM),
  EXT2("ext2", Kind.FILE_SYSTEM),
  EXT3("ext3", Kind.FILE_SYSTEM),
  EXT4("ext4", Kind.FILE_SYSTEM),
  XFS("XFS", Kind.FILE_SYSTEM),
  BTRFS("Btrfs", Kind.FILE_SYSTEM),
  HFS_PLUS("HFS+", Kind.FILE_SYSTEM),
  APFS("APFS", Kind.FILE_SYSTEM),
  /** The one before HFS+; it may hold one of those inside. */
  HFS("HFS", Kind.FILE_SYSTEM),
  REFS("ReFS", Kind.FILE_SYSTEM),
  ISO_9660("ISO 9660", Kind.FILE_SYSTEM),
  UDF("UDF", Kind.FILE_SYSTEM),
  SWAP("survey.swap", Kind.MEMBER),
  LVM("survey.lvm-physical-volume", Kind.MEMBER),
  /** Divided further by a table of its own. */
  BSD_LABEL("survey.bsd-label", Kind.MEMBER),
  /** Part of a group of dynamic disks. */
  DYNAMIC_DISK("survey.dynamic-disk", Kind.MEMBER),
  MD_RAID("survey.md-raid-member", Kind.MEMBER),
  LUKS1("LUKS1", Kind.ENCRYPTED),
  LUKS2("LUKS2", Kind.ENCRYPTED),
  /** A full-volume encryption that keeps the boot sector's shape and puts its own name in it. */
  ENCRYPTED_VOLUME("survey.encrypted-volume", Kind.ENCRYPTED),
  /** All of what was looked at is zero, or all ones. */
  BLANK("survey.blank", Kind.NOTHING),
  /** Random through and through, with no signature: encrypted without a header, or wiped so. */
  RANDOM("survey.random-bytes", Kind.NOTHING),
  UNKNOWN("survey.nothing-known", Kind.NOTHING),
  /** What tells cannot be read. */
  UNREADABLE("survey.not-readable", Kind.NOTHING);

  /** What is no name of a standard is a message. */
  private static final String MESSAGE = "survey.";

  private final String words;
  private final Kind kind;

  enum Kind {
    FILE_SYSTEM,
    /** Part of something larger. */
    MEMBER,
    ENCRYPTED,
    NOTHING
  }

  Content(String words, Kind kind) {
    this.words = words;
    this.kind = kind;
  }

  public String words() {
    return words.startsWith(MESSAGE) ? say(words) : words;
  }

  public boolean isFileSystem() {
    return kind == Kind.FILE_SYSTEM;
  }

  public boolean isEncrypted() {
    return kind == Kind.ENCRYPTED;
  }

  /** Whether something was recognised at all. */
  public boolean isKnown() {
    return kind != Kind.NOTHING;
  }
}
