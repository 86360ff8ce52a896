package tekmerion.core.survey;

/** Why a disk is not readable to its owner, with the safe next move. */
public enum Reason {
  HEALTHY(
      "Its tables and file systems are sound",
      "Copy its files, or look at cable, port and system."),
  BLANK(
      "It is blank", "Ask whether it is the right disk. Write nothing to it before that is sure."),
  ENCRYPTED("It is encrypted", "Ask its owner for the key; without it nothing is to be had."),
  MAYBE_ENCRYPTED(
      "It may be encrypted, or wiped with random bytes",
      "Ask its owner whether it was encrypted, and with what. Write nothing to it."),
  NO_PARTITIONS(
      "It has a table without a partition",
      "Ask whether it was ever in use. Image it and look for files by their content."),
  FOREIGN_FILE_SYSTEM(
      "It has a file system that the owner's system does not read",
      "Read it on the bench machine and copy its files. Never format it."),
  DAMAGED_TABLE(
      "The table of its partitions is damaged",
      "Image it first. Then the table may be put back from its copy, through the gate."),
  DAMAGED_BOOT_SECTOR(
      "The boot sector or superblock of a volume is damaged",
      "Image it first. Then it may be put back from its copy, through the gate."),
  FAILING_READS(
      "It cannot be read where it matters", "Image it gently, sparing what fails. Nothing else."),
  UNKNOWN("Nothing on it is known here", "Image it and look for files by their content.");

  private final String words;
  private final String next;

  Reason(String words, String next) {
    this.words = words;
    this.next = next;
  }

  public String words() {
    return words;
  }

  public String next() {
    return next;
  }
}
