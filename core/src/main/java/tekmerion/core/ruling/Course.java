package tekmerion.core.ruling;

import java.util.List;
import tekmerion.core.permit.Effects;
import tekmerion.core.permit.Touch;
import tekmerion.core.words.Sentences;

/** What can be decided for a machine. A ruling names one or several in order. */
public enum Course {
  RECOVER_DATA("Recover the data", Touch.OPENS_CASE),
  REPLACE_PART("Replace the part", Touch.OPENS_CASE),
  REPAIR("Repair: cable, contacts, cleaning, settings", Touch.CHANGES_SETTINGS),
  REPAIR_FILE_SYSTEM("Repair the file system or system files", Touch.WRITES_TO_DRIVE),
  RESET_KEEPING_FILES("Reset the system, keeping files", Touch.WRITES_TO_DRIVE),
  RESET_ERASING("Reset the system, erasing the drive", Touch.ERASES),
  CLEAN_INSTALL("Clean installation on this drive", Touch.ERASES),
  NOTHING_FOUND("Nothing found, hand back", Touch.LOOKS_ONLY),
  REFER_OUT("Refer to the maker or a clean room", Touch.LOOKS_ONLY);

  private final String words;
  private final Touch touch;

  Course(String words, Touch touch) {
    this.words = words;
    this.touch = touch;
  }

  /** Courses as a sentence has them: "Recover the data, then replace the part". */
  public static String inOrder(List<Course> courses) {
    return Sentences.inOrder(courses.stream().map(Course::words).toList());
  }

  /** Whether it claims to end the complaint, so that this is to be shown. */
  public boolean mends() {
    return switch (this) {
      case RECOVER_DATA, NOTHING_FOUND, REFER_OUT -> false;
      default -> true;
    };
  }

  public String words() {
    return words;
  }

  public Touch touch() {
    return touch;
  }

  /** All that its permission depends on. */
  public Effects effects() {
    return Effects.of(touch);
  }
}
