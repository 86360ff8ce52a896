package tekmerion.core.survey;

import static tekmerion.words.Words.say;

/** Why a disk is not readable to its owner, with the safe next move. */
public enum Reason {
  HEALTHY("survey.its-tables-and-file-systems-are", "survey.copy-its-files-or-look-at"),
  BLANK("survey.it-is-blank", "survey.ask-whether-it-is-the-right"),
  ENCRYPTED("survey.it-is-encrypted", "survey.ask-its-owner-for-the-key"),
  MAYBE_ENCRYPTED("survey.it-may-be-encrypted-or-wiped", "survey.ask-its-owner-whether-it-was"),
  NO_PARTITIONS("survey.it-has-a-table-without-a", "survey.ask-whether-it-was-ever-in"),
  FOREIGN_FILE_SYSTEM("survey.it-has-a-file-system-that", "survey.read-it-on-the-bench-machine"),
  DAMAGED_TABLE("survey.the-table-of-its-partitions-is", "survey.image-it-first-then-the-table"),
  DAMAGED_BOOT_SECTOR(
      "survey.the-boot-sector-or-superblock-of", "survey.image-it-first-then-it-may"),
  FAILING_READS("survey.it-cannot-be-read-where-it", "survey.image-it-gently-sparing-what-fails"),
  UNKNOWN("survey.nothing-on-it-is-known-here", "survey.image-it-and-look-for-files");

  private final String words;
  private final String next;

  Reason(String words, String next) {
    this.words = words;
    this.next = next;
  }

  public String words() {
    return say(words);
  }

  public String next() {
    return say(next);
  }
}
