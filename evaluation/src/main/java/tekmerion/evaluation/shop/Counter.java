package tekmerion.evaluation.shop;

import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.knowhow.Question;
import tekmerion.sim.shop.Complaint;

/** What is written down at the counter: some of it is not asked, some of it is wrong. */
final class Counter {
  private static final double NOT_ASKED = 0.12;
  private static final double WRONG_FAMILY = 0.03;

  private final KnowHow knowHow;
  private final Random random;
  private final double wrong;

  /**
   * @param families complaint families
   * @param findings level by finding
   */
  record Story(List<String> families, Map<String, String> findings) {}

  /**
   * @param wrong share of answers that are any other
   */
  Counter(KnowHow knowHow, Random random, double wrong) {
    this.knowHow = knowHow;
    this.random = random;
    this.wrong = wrong;
  }

  Story write(Patient patient) {
    Set<String> families = new LinkedHashSet<>();
    patient.complaints().forEach(c -> families.add(id(chance(WRONG_FAMILY) ? any() : c)));
    if (families.isEmpty()) {
      families.add(id(any()));
    }
    List<String> complaint = List.copyOf(families);
    Map<String, String> findings = new LinkedHashMap<>();
    for (Question question : knowHow.questions()) {
      if (question.fits(Question.Subject.MACHINE, complaint) && !chance(NOT_ASKED)) {
        answer(patient, question)
            .ifPresent(answer -> findings.putAll(question.levels(answer, knowHow)));
      }
    }
    findings.putAll(patient.heard());
    return new Story(complaint, findings);
  }

  private Optional<List<String>> answer(Patient patient, Question question) {
    Optional<List<String>> said = patient.answer(question.id());
    boolean canBeWrong =
        said.isPresent()
            && question.kind() != Question.Answering.SOME
            && !question.id().equals("kind");
    if (canBeWrong && chance(wrong)) {
      List<Question.Option> all = question.options();
      return Optional.of(List.of(all.get(random.nextInt(all.size())).id()));
    }
    return said;
  }

  private Complaint any() {
    return Complaint.values()[random.nextInt(Complaint.values().length)];
  }

  static String id(Enum<?> value) {
    return value.name().toLowerCase(Locale.ROOT).replace('_', '-');
  }

  private boolean chance(double p) {
    return random.nextDouble() < p;
  }
}
