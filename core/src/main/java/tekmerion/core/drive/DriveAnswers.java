package tekmerion.core.drive;

import static tekmerion.words.Words.say;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tekmerion.core.finding.Finding;
import tekmerion.core.page.RawPage;
import tekmerion.core.port.PageKind;

/**
 * Whether a drive answers at all. A drive that does not could not be read or tested, which is not a
 * failed test; but that it did not answer is seen, and told.
 */
public final class DriveAnswers {
  public static final String FINDING = "drive.answers";

  /** Level of one that was asked and did not answer. */
  public static final String NEVER = "never";

  private static final String ALWAYS = "always";
  private static final String SOMETIMES = "sometimes";

  private DriveAnswers() {}

  /**
   * That it answered, if any page came of it. That none came tells nothing: some cases pass nothing
   * on although the drive behind them answers.
   */
  public static Optional<Finding> of(String part, PartReading reading) {
    return reading.answers().entrySet().stream()
        .flatMap(page -> page.getValue().bytes().stream().map(raw -> basis(page.getKey(), raw)))
        .findFirst()
        .map(
            basis ->
                new Finding(
                    FINDING, part, ALWAYS, say("drive.it-answers-what-it-is-asked"), basis));
  }

  /**
   * The same findings, but of each drive one that tells of every time it was asked: a drive that
   * answered once and once did not answers sometimes, whichever came last.
   */
  public static List<Finding> together(List<Finding> findings) {
    Map<String, Finding> last = new LinkedHashMap<>();
    findings.stream()
        .filter(finding -> finding.id().equals(FINDING))
        .forEach(finding -> last.merge(finding.part(), finding, DriveAnswers::both));
    List<Finding> all = new ArrayList<>(findings);
    all.removeIf(finding -> finding.id().equals(FINDING));
    all.addAll(last.values());
    return all;
  }

  private static Finding.Basis basis(PageKind kind, RawPage raw) {
    return Finding.Basis.reading(kind.wireName(), 0, raw.size());
  }

  /** It rests on the bytes that came once, if any did. */
  private static Finding both(Finding before, Finding now) {
    if (before.level().equals(now.level())) {
      return now;
    }
    Finding.Basis basis = now.basis().page().isEmpty() ? before.basis() : now.basis();
    return new Finding(FINDING, now.part(), SOMETIMES, say("drive.it-answers-now-and-then"), basis);
  }
}
