package tekmerion.core.report;

import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.time.format.FormatStyle;
import java.util.ArrayList;
import java.util.List;
import tekmerion.core.permit.DataStatus;
import tekmerion.core.permit.Proven;

/**
 * One page for the owner.
 *
 * @param title what it is about
 * @param job its number and when it was taken in
 * @param printed when this was written
 * @param sections in order; none is empty
 * @param advice at most three
 */
public record OwnerReport(
    String title, String job, String printed, List<Section> sections, List<Advice> advice) {
  private static final int MAX_ADVICE = 3;

  public record Section(String heading, List<String> lines) {
    public Section {
      lines = List.copyOf(lines);
    }
  }

  public record Advice(String title, String text) {}

  public OwnerReport {
    sections = List.copyOf(sections);
    advice = List.copyOf(advice);
  }

  public static OwnerReport of(OwnerFacts facts, OwnerWords words) {
    DateTimeFormatter day =
        DateTimeFormatter.ofLocalizedDate(FormatStyle.LONG).withLocale(words.locale());
    List<Section> sections = new ArrayList<>();
    add(sections, words.of("said"), List.of("“%s”".formatted(facts.complaint())));
    add(sections, words.of("found"), List.of(found(facts, words)));
    add(sections, words.of("done"), done(facts, words));
    add(sections, words.of("data"), data(facts, words));
    add(sections, words.of("replaced"), facts.replaced());
    add(sections, words.of("expect"), expect(facts, words));
    return new OwnerReport(
        facts.looseDrive() ? words.of("title.drive") : words.of("title", facts.subject()),
        words.of(
            "job", facts.number(), day.format(LocalDate.ofInstant(facts.takenIn(), facts.zone()))),
        words.of("handed", day.format(LocalDate.ofInstant(facts.printed(), facts.zone()))),
        sections,
        facts.cause().map(words::adviceFor).orElseGet(() -> words.adviceFor("")).stream()
            .limit(MAX_ADVICE)
            .map(key -> advice(words.of("advice." + key)))
            .toList());
  }

  private static void add(List<Section> sections, String heading, List<String> lines) {
    if (!lines.isEmpty()) {
      sections.add(new Section(heading, lines));
    }
  }

  private static String found(OwnerFacts facts, OwnerWords words) {
    if (facts.cause().isEmpty()) {
      return words.of(facts.proven() == Proven.DONE ? "nothing" : "open");
    }
    return words.of(facts.sure() ? "sure" : "likely", words.of("cause." + facts.cause().get()));
  }

  private static List<String> done(OwnerFacts facts, OwnerWords words) {
    List<String> lines = new ArrayList<>();
    facts.courses().forEach(c -> lines.add(words.of("course." + c.name())));
    facts.changes().forEach(c -> lines.add(c + "."));
    return lines;
  }

  private static List<String> data(OwnerFacts facts, OwnerWords words) {
    DataStatus status = facts.dataStatus();
    boolean checkedInPart = status == DataStatus.COPIED && facts.copyChecked();
    List<String> lines =
        new ArrayList<>(
            List.of(words.of(checkedInPart ? "data.COPIED.checked" : "data." + status.name())));
    boolean copied = status == DataStatus.COPIED || status == DataStatus.COPY_VERIFIED;
    if (copied && facts.lost().isPresent()) {
      List<String> lost = facts.lost().get();
      lines.add(
          facts.lostInAll() == 0
              ? words.of("data.lost.none")
              : facts.lostInAll() == 1
                  ? words.of("data.lost.one", lost.get(0))
                  : words.of("data.lost.some", facts.lostInAll(), lost.get(0)));
    }
    if (copied) {
      lines.add(words.of("data.where"));
    }
    return lines;
  }

  private static List<String> expect(OwnerFacts facts, OwnerWords words) {
    List<String> lines = new ArrayList<>();
    switch (facts.proven()) {
      case DONE -> lines.add(words.of("expect.proof.done", facts.cleanTrials()));
      case FAILED -> lines.add(words.of("expect.proof.failed"));
      case UNFINISHED -> lines.add(words.of("expect.proof.unfinished"));
      default -> {
        // Nothing was mended, so nothing is shown.
      }
    }
    facts
        .cause()
        .map(c -> "expect." + c)
        .filter(words::has)
        .ifPresent(key -> lines.add(words.of(key)));
    lines.add(words.of("expect.default"));
    return lines;
  }

  private static Advice advice(String text) {
    int bar = text.indexOf('|');
    return new Advice(text.substring(0, bar), text.substring(bar + 1));
  }
}
