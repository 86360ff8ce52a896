package tekmerion.core.knowhow;

import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import tekmerion.core.permit.Invasiveness;

/** What must hold of moves and remedies, and between them and causes and findings. */
final class MoveChecks {
  /** From here on something is worked for long; the shop's convention. */
  private static final int MINUTES_THAT_LOAD = 20;

  private final KnowHow knowHow;
  private final List<String> mistakes;

  MoveChecks(KnowHow knowHow, List<String> mistakes) {
    this.knowHow = knowHow;
    this.mistakes = mistakes;
  }

  void check() {
    knowHow.moves().forEach(this::checkMove);
    if (knowHow.moves().isEmpty()) {
      return; // a know-how without moves can weigh, and offers nothing
    }
    knowHow.causes().forEach(this::checkMended);
    knowHow.remedies().forEach(this::checkRemedy);
    checkReachable();
    checkSeparable();
  }

  private void checkMove(Move move) {
    if (move.purpose() == null || move.purpose().isBlank()) {
      say(move, "has no purpose");
    }
    if (move.minutes().size() != 2 || move.minutes().stream().anyMatch(m -> m < 0)) {
      say(move, "needs minutes: [hands-on, waiting]");
    }
    if (move.invasiveness() == null) {
      say(move, "needs its invasiveness");
    }
    if (move.loads() == null
        && move.minutes().size() == 2
        && move.minutes().get(1) >= MINUTES_THAT_LOAD) {
      say(move, "goes on for long and does not say what it loads");
    }
    if (!(move.risk() >= 0 && move.risk() <= 1)) {
      say(move, "has a data risk outside 0 to 1");
    }
    if (move.steps().isEmpty()) {
      say(move, "has no instructions");
    }
    if (move.given().isEmpty()) {
      say(move, "tells nothing");
    }
    if (move.invasiveness() == Invasiveness.WRITES_TO_DRIVE
        && !move.presupposes().contains(Move.Presupposed.COPY)) {
      say(move, "writes to the drive and does not presuppose a copy");
    }
    for (String finding : move.given()) {
      if (knowHow.finding(finding).isEmpty()) {
        say(move, "gives no known finding: " + finding);
      }
    }
    move.onceSeen()
        .forEach(
            (finding, levels) -> {
              if (knowHow.finding(finding).filter(k -> k.levels().containsAll(levels)).isEmpty()) {
                say(move, "waits for what no finding says: %s %s".formatted(finding, levels));
              }
            });
    knowHow.checkKinds("move " + move.id(), move.kinds(), mistakes);
    for (String family : move.families()) {
      if (knowHow.family(family).isEmpty()) {
        say(move, "is for no known family: " + family);
      }
    }
    for (String detour : move.detours()) {
      if (knowHow.move(detour).isEmpty()) {
        say(move, "has no known detour: " + detour);
      }
    }
    if (!move.after().isEmpty() && knowHow.move(move.after()).isEmpty()) {
      say(move, "is followed by no known move: " + move.after());
    }
    boolean canFail =
        move.tells().stream()
            .filter(asked -> asked.complaint() == Move.ComplaintAsked.MENDED)
            .anyMatch(asked -> asked.levels().containsKey(Move.FAILED));
    if (canFail == move.whenFailed().isEmpty()
        || canFail && knowHow.move(move.whenFailed()).isEmpty()) {
      say(move, "needs a known move for when it failed, if and only if it can fail");
    }
    Optional<FindingKind> bootStage = knowHow.finding("boot-stage");
    if (bootStage.isPresent()
        && (bootStage.get().levelIndex(move.bootStage()).isEmpty()
            || bootStage.get().levelIndex(move.upTo()).isEmpty())) {
      say(move, "names a boot stage that there is not");
    }
  }

  private void checkMended(Cause cause) {
    if (knowHow.remedies().stream().noneMatch(r -> r.cures().containsKey(cause.id()))) {
      mistakes.add("cause %s is mended by no remedy".formatted(cause.id()));
    }
  }

  private void checkRemedy(Remedy remedy) {
    for (String move : remedy.doneBy()) {
      if (knowHow.move(move).isEmpty()) {
        mistakes.add("remedy %s is done by no known move: %s".formatted(remedy.id(), move));
      }
    }
    if (remedy.minutes().size() != 2 || remedy.minutes().stream().anyMatch(m -> m < 0)) {
      mistakes.add("remedy %s needs minutes: [hands-on, waiting]".formatted(remedy.id()));
    }
    remedy
        .cures()
        .forEach(
            (cause, p) -> {
              if (knowHow.causes().stream().noneMatch(c -> c.id().equals(cause))) {
                mistakes.add("remedy %s mends no known cause: %s".formatted(remedy.id(), cause));
              }
              if (!(p > 0 && p <= 1)) {
                mistakes.add("remedy %s: %s is no probability".formatted(remedy.id(), p));
              }
            });
  }

  /** A finding that no move gives, no question sets and no words say would never be seen. */
  private void checkReachable() {
    Set<String> reached = new HashSet<>(FindingKind.DERIVED);
    knowHow.moves().forEach(move -> reached.addAll(move.given()));
    knowHow.questions().forEach(question -> reached.addAll(question.findings()));
    for (FindingKind finding : knowHow.findings()) {
      if (!reached.contains(finding.id()) && finding.words().isEmpty()) {
        mistakes.add("finding %s is never seen".formatted(finding.id()));
      }
    }
  }

  /** Two causes that no move tells apart could never be decided between. */
  private void checkSeparable() {
    Set<String> told = new LinkedHashSet<>();
    knowHow.moves().forEach(move -> told.addAll(move.given()));
    List<FindingKind> findings = told.stream().flatMap(id -> knowHow.finding(id).stream()).toList();
    List<Cause> causes = knowHow.causes();
    List<double[]> seen = causes.stream().map(cause -> alone(findings, cause.id())).toList();
    for (int a = 0; a < causes.size(); a++) {
      for (int b = a + 1; b < causes.size(); b++) {
        if (!separates(seen.get(a), seen.get(b))) {
          mistakes.add(
              "no move tells %s from %s".formatted(causes.get(a).id(), causes.get(b).id()));
        }
      }
    }
  }

  /** Whether some level is at least twice as likely under the one as under the other. */
  private static boolean separates(double[] first, double[] second) {
    for (int i = 0; i < first.length; i++) {
      if (Math.max(first[i], second[i]) > 2 * Math.min(first[i], second[i])) {
        return true;
      }
    }
    return false;
  }

  /**
   * P(level | only this cause), with the leak, as the weighing has it: of all findings, in a row.
   */
  private static double[] alone(List<FindingKind> findings, String cause) {
    double[] all = new double[findings.stream().mapToInt(s -> s.levels().size()).sum()];
    int at = 0;
    for (FindingKind finding : findings) {
      List<Double> link = finding.links().get(cause);
      double leaked = 0;
      double linked = 0;
      double below = 0;
      for (int level = 0; level < finding.levels().size(); level++) {
        leaked += valueAt(finding.leak(), level);
        linked += link == null ? 0 : valueAt(link, level);
        double atMost = leaked * (link == null ? 1 : linked);
        all[at++] = atMost - below;
        below = atMost;
      }
    }
    return all;
  }

  /** A list that is too short is named by another check. */
  private static double valueAt(List<Double> p, int level) {
    return level < p.size() ? p.get(level) : 0;
  }

  private void say(Move move, String what) {
    mistakes.add("move %s %s".formatted(move.id(), what));
  }
}
