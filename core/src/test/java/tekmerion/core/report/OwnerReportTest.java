package tekmerion.core.report;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStreamReader;
import java.io.Reader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Properties;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import tekmerion.core.decision.Course;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.permit.DataStatus;
import tekmerion.core.permit.Proven;
import tekmerion.core.report.OwnerReport.Section;

class OwnerReportTest {
  private static final OwnerWords ENGLISH = new OwnerWords(Locale.UK);

  private static OwnerFacts facts(Optional<String> cause, DataStatus status, long lost) {
    return new OwnerFacts(
        "Ostrel 17 laptop",
        false,
        "J-2291",
        Instant.parse("2026-11-27T08:00:00Z"),
        Instant.parse("2026-11-28T23:30:00Z"),
        ZoneId.of("Europe/Berlin"),
        "Freezes on the logo",
        cause,
        true,
        List.of(Course.RECOVER_DATA, Course.REPLACE_PART),
        List.of("Clean the fan"),
        status,
        lost > 0,
        Optional.of(List.of("Order book/2025.pdf")),
        lost,
        List.of("A 1 TB drive"),
        Proven.DONE,
        5);
  }

  private static List<String> lines(OwnerReport report, String heading) {
    return report.sections().stream()
        .filter(s -> s.heading().equals(heading))
        .map(Section::lines)
        .findFirst()
        .orElse(List.of());
  }

  @Test
  void tellsAllOfItInPlainWords() {
    OwnerReport report =
        OwnerReport.of(facts(Optional.of("failing-drive"), DataStatus.COPY_VERIFIED, 1), ENGLISH);

    assertThat(report.title()).isEqualTo("What became of your Ostrel 17 laptop");
    assertThat(report.printed()).isEqualTo("Printed 29 November 2026"); // half past midnight there
    assertThat(lines(report, "What we found"))
        .containsExactly(
            "We are sure: the drive in it is failing. Parts of it can no longer be read.");
    assertThat(lines(report, "What we did"))
        .containsExactly(
            "We copied your data off the drive.", "We replaced the faulty part.", "Clean the fan.");
    assertThat(lines(report, "Your data"))
        .containsExactly(
            "We copied your data and checked the copy: it is the same as what we read.",
            "One file could not be read whole: Order book/2025.pdf.",
            "Ask for the copy when you fetch the machine.");
    assertThat(lines(report, "What to expect").get(0))
        .isEqualTo("We repeated what failed 5 times afterwards, and it did not fail once.");
    assertThat(report.advice()).hasSize(3);
    assertThat(report.advice().get(0).title()).isEqualTo("Keep a second copy somewhere else");
  }

  /** A copy may be checked and hold not all of it, or not be checked at all: two things. */
  @Test
  void aCheckedCopyOfAPartIsNotCalledUnchecked() {
    String checked =
        lines(OwnerReport.of(facts(Optional.empty(), DataStatus.COPIED, 2), ENGLISH), "Your data")
            .get(0);
    String unchecked =
        lines(OwnerReport.of(facts(Optional.empty(), DataStatus.COPIED, 0), ENGLISH), "Your data")
            .get(0);

    assertThat(checked).contains("checked the copy").contains("not in it");
    assertThat(unchecked).contains("not checked yet");
  }

  /** What was not copied is not said to be lost, nor kept. */
  @Test
  void saysNothingOfACopyThatIsNone() {
    OwnerReport report = OwnerReport.of(facts(Optional.empty(), DataStatus.WANTED, 0), ENGLISH);

    assertThat(lines(report, "Your data"))
        .containsExactly(
            "You want your data. There is no verified copy of it yet, so nothing was erased.");
    assertThat(report.advice()).hasSize(1);
  }

  @Test
  void hasWordsForEveryCauseCourseDataStatusAndAdvice() {
    KnowHow.shipped()
        .causes()
        .forEach(cause -> assertThat(ENGLISH.has("cause." + cause.id())).as(cause.id()).isTrue());
    for (Course course : Course.values()) {
      assertThat(ENGLISH.has("course." + course.name())).as(course.name()).isTrue();
    }
    for (DataStatus dataStatus : DataStatus.values()) {
      assertThat(ENGLISH.has("data." + dataStatus.name())).as(dataStatus.name()).isTrue();
    }
    ENGLISH
        .advice()
        .forEach(
            (cause, keys) -> {
              boolean known =
                  cause.equals("otherwise")
                      || KnowHow.shipped().causes().stream().anyMatch(c -> c.id().equals(cause));
              assertThat(known).as(cause).isTrue();
              keys.forEach(k -> assertThat(ENGLISH.of("advice." + k)).as(k).contains("|"));
            });
  }

  /**
   * A language without a file of its own, and none with the wrong words by the machine's locale.
   */
  @Test
  void isEnglishWhereThereIsNoOther() {
    assertThat(new OwnerWords(Locale.forLanguageTag("pt")).of("found")).isEqualTo("What we found");
  }

  /** Every other language says all that English says, with as many things to fill in. */
  @Test
  void saysTheSameInNorwegian() {
    Properties english = file("owner.properties");
    Properties bokmal = file("owner_nb.properties");
    assertThat(bokmal.keySet()).isEqualTo(english.keySet());
    english.forEach(
        (key, words) ->
            assertThat(gaps((String) bokmal.get(key)))
                .as("%s", key)
                .isEqualTo(gaps((String) words)));

    OwnerWords nb = new OwnerWords(Locale.forLanguageTag("nb-NO"));
    assertThat(nb.of("found")).isEqualTo("Det vi fant");
    assertThat(nb.of("sure", nb.of("cause.failing-drive"))).startsWith("Vi er sikre: disken");
  }

  private static Properties file(String name) {
    Properties read = new Properties();
    try (Reader in =
        new InputStreamReader(
            OwnerWords.class.getResourceAsStream("/tekmerion/report/" + name),
            StandardCharsets.UTF_8)) {
      read.load(in);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return read;
  }

  /** "{0}", "{1}" and the bar between a title and its text, in their order. */
  private static List<String> gaps(String words) {
    return Pattern.compile("\\{\\d}|\\|").matcher(words).results().map(m -> m.group()).toList();
  }
}
