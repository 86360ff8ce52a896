package tekmerion.core.decision;

import static tekmerion.words.Words.say;

import java.util.List;
import tekmerion.core.permit.Effects;
import tekmerion.core.permit.Invasiveness;
import tekmerion.core.words.Sentences;

/** What can be decided for a machine. A decision names one or several in order. */
public enum Course {
  RECOVER_DATA("decision.recover-the-data", Invasiveness.OPENS_CASE),
  REPLACE_PART("decision.replace-the-part", Invasiveness.OPENS_CASE),
  REPAIR("decision.repair-cable-contacts-cleaning-settings", Invasiveness.CHANGES_SETTINGS),
  REPAIR_FILE_SYSTEM("decision.repair-the-file-system-or-system", Invasiveness.WRITES_TO_DRIVE),
  RESET_KEEPING_FILES("decision.reset-the-system-keeping-files", Invasiveness.WRITES_TO_DRIVE),
  RESET_ERASING("decision.reset-the-system-erasing-the-drive", Invasiveness.ERASES),
  CLEAN_INSTALL("decision.clean-installation-on-this-drive", Invasiveness.ERASES),
  NOTHING_FOUND("decision.nothing-found-hand-back", Invasiveness.LOOKS_ONLY),
  REFER_OUT("decision.refer-to-the-maker-or-a", Invasiveness.LOOKS_ONLY);

  private final String words;
  private final Invasiveness invasiveness;

  Course(String words, Invasiveness invasiveness) {
    this.words = words;
    this.invasiveness = invasiveness;
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
    return say(words);
  }

  public Invasiveness invasiveness() {
    return invasiveness;
  }

  /** All that its permission depends on. */
  public Effects effects() {
    return Effects.of(invasiveness);
  }
}
