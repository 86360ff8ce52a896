package tekmerion.server.jobview;

import static tekmerion.words.Words.say;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import tekmerion.core.drive.DriveWords;
import tekmerion.core.knowhow.MakerTopic;
import tekmerion.core.knowhow.Move.By;
import tekmerion.core.knowhow.Move.Presupposed;
import tekmerion.core.permit.Invasiveness;
import tekmerion.core.permit.Permission;
import tekmerion.core.weigh.Advice.Ranked;
import tekmerion.server.decision.DecisionService.CourseView;
import tekmerion.server.decision.DecisionService.Lock;
import tekmerion.server.jobview.JobCustody.BayNote;
import tekmerion.server.jobview.JobDiagnosis.Asked;
import tekmerion.server.jobview.JobDiagnosis.Level;
import tekmerion.server.jobview.JobDiagnosis.Move;
import tekmerion.server.jobview.JobDiagnosis.Step;
import tekmerion.server.jobview.JobEvidence.Drive;
import tekmerion.server.maker.MakerNotes;
import tekmerion.server.move.MadeMoves;
import tekmerion.server.probe.ProbeViews.ProbeView;

/** What can be done next, best first; then what is locked, with what opens it. */
final class Moves {
  private static final int MAX_OPEN = 60;
  private static final int MAX_LOCKED = 6;

  private Moves() {}

  /**
   * @param bay null if the machine is on none
   * @param known drives that have been met in this machine
   * @param underWay drives that are being read
   */
  static List<Move> of(
      List<Ranked> ranked,
      BayNote bay,
      List<Drive> known,
      Set<String> underWay,
      List<CourseView> courses,
      Map<MakerTopic, MakerNotes.Note> notes) {
    ProbeView probe = bay == null ? null : bay.probe();
    Lock link = linkLock(bay, probe);
    List<Move> all = ranked.stream().map(r -> move(r, link, underWay, notes)).toList();
    List<Move> shown = new ArrayList<>();
    // What the probe would do stays in sight while only the probe is missing.
    List<Move> open = all.stream().filter(Moves::isOpenOrOfProbe).toList();
    int best = Math.min(MAX_OPEN, open.size());
    shown.addAll(open.subList(0, best));
    open.subList(best, open.size()).stream().filter(m -> m.by() == By.READ).forEach(shown::add);
    shown.addAll(again(keys(probe, known), all, link, underWay));
    all.stream().filter(m -> !isOpenOrOfProbe(m)).limit(MAX_LOCKED).forEach(shown::add);
    lockedCourses(courses).ifPresent(shown::add);
    shown.sort(Comparator.comparing((Move m) -> m.lock() != null));
    return shown;
  }

  private static boolean isOpenOrOfProbe(Move move) {
    return move.lock() == null || move.by() != null;
  }

  private static Move move(
      Ranked ranked, Lock link, Set<String> underWay, Map<MakerTopic, MakerNotes.Note> notes) {
    var move = ranked.move();
    String part = ranked.part().key();
    Lock lock = ranked.lock().map(Moves::lock).orElse(null);
    if (lock == null && move.by() != null) {
      lock = underWay.contains(part) ? underWayLock() : link;
    }
    return new Move(
        ranked.id(),
        move.id(),
        part,
        ranked.name(),
        ranked.why(),
        move.by(),
        move.by() == null ? null : part,
        MadeMoves.changes(move),
        move.invasiveness(),
        move.invasiveness().words(),
        move.handsOnMinutes(),
        move.waitingMinutes(),
        needs(move),
        move.guided().stream().map(s -> new Step(s.words(), s.waitSeconds())).toList(),
        move.tells().stream()
            .map(
                asked ->
                    new Asked(
                        asked.id(),
                        asked.name(),
                        asked.levels().entrySet().stream()
                            .map(e -> new Level(e.getKey(), e.getValue()))
                            .toList()))
            .toList(),
        move.notes().stream().filter(notes::containsKey).map(notes::get).toList(),
        lock);
  }

  private static List<String> needs(tekmerion.core.knowhow.Move move) {
    List<String> needs = new ArrayList<>(move.needs());
    if (move.presupposes().contains(Presupposed.MAINS)) {
      needs.add(say("jobview.the-adapter-plugged-in"));
    }
    return needs;
  }

  private static Lock lock(Permission.Locked locked) {
    return new Lock(locked.reason(), locked.opens());
  }

  /** Drives that can be asked: as the probe names them, else as they were met. */
  private static List<String> keys(ProbeView probe, List<Drive> known) {
    List<String> keys = probe == null ? known.stream().map(Drive::key).toList() : probe.drives();
    return keys.isEmpty() ? List.of("drive-a") : keys;
  }

  /** A drive can be read again, whatever that would tell. */
  private static List<Move> again(
      List<String> keys, List<Move> offered, Lock link, Set<String> underWay) {
    return keys.stream()
        .filter(
            key -> offered.stream().noneMatch(m -> m.by() == By.READ && key.equals(m.partKey())))
        .map(
            key ->
                new Move(
                    "read-again@" + key,
                    null,
                    key,
                    say("jobview.read-again", "named", DriveWords.named(key)),
                    say("jobview.shows-whether-its-counts-still-move"),
                    By.READ,
                    key,
                    false,
                    Invasiveness.LOOKS_ONLY,
                    Invasiveness.LOOKS_ONLY.words(),
                    0,
                    1,
                    List.of(),
                    List.of(),
                    List.of(),
                    List.of(),
                    underWay.contains(key) ? underWayLock() : link))
        .toList();
  }

  /** All that the gate on the data locks is one lock to the technician, so it is shown once. */
  private static Optional<Move> lockedCourses(List<CourseView> courses) {
    List<CourseView> locked =
        courses.stream()
            .filter(
                course -> course.lock() != null && course.course().invasiveness().endangersData())
            .toList();
    if (locked.isEmpty()) {
      return Optional.empty();
    }
    CourseView gravest = locked.get(locked.size() - 1);
    return Optional.of(
        new Move(
            "courses-locked",
            null,
            "machine",
            say("jobview.anything-that-writes-to-or-erases"),
            locked.stream().map(CourseView::words).collect(Collectors.joining("; ")) + ".",
            null,
            null,
            false,
            gravest.invasiveness(),
            gravest.invasivenessWords(),
            0,
            0,
            List.of(),
            List.of(),
            List.of(),
            List.of(),
            gravest.lock()));
  }

  private static Lock underWayLock() {
    return new Lock(
        say("jobview.it-is-being-read-now"), say("jobview.opens-when-the-reading-has-come"));
  }

  private static Lock linkLock(BayNote bay, ProbeView probe) {
    if (bay == null) {
      return new Lock(
          say("jobview.the-machine-is-on-no-bay"), say("jobview.opens-when-it-sits-in-a"));
    }
    if (probe == null) {
      return new Lock(
          say("jobview.there-is-no-probe-in-bay", "bay", bay.number()),
          say("jobview.ask-for-an-enrolment-code-in"));
    }
    if (!probe.online()) {
      return new Lock(
          say("jobview.the-probe-in-bay-is-not", "bay", bay.number()),
          say("jobview.opens-by-itself-when-the-probe"));
    }
    return null;
  }
}
