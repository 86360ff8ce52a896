package tekmerion.server.jobview;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import tekmerion.core.gate.Touch;
import tekmerion.server.jobview.JobView.Drive;
import tekmerion.server.jobview.JobView.Move;
import tekmerion.server.link.ProbeBoard.ProbeView;
import tekmerion.server.ruling.RulingService.CourseView;
import tekmerion.server.ruling.RulingService.Lock;

/** What can be done next: reading the drives, and what the gates still lock, with what opens it. */
final class Moves {
  private Moves() {}

  /**
   * @param bay number of the bay, or null
   * @param probe null if there is none on the bay
   * @param known drives that have been met in this machine
   */
  static List<Move> of(
      Integer bay,
      ProbeView probe,
      List<Drive> known,
      Set<String> underWay,
      List<CourseView> courses) {
    List<Move> moves = new ArrayList<>();
    Lock link = linkLock(bay, probe);
    List<String> keys = probe == null ? known.stream().map(Drive::key).toList() : probe.drives();
    for (String key : keys.isEmpty() ? List.of("drive-a") : keys) {
      moves.add(read(key, known, underWay.contains(key) ? underWayLock() : link));
    }
    moves.sort(Comparator.comparing((Move move) -> move.lock() != null));
    lockedCourses(courses).ifPresent(moves::add);
    return moves;
  }

  private static Move read(String key, List<Drive> known, Lock lock) {
    boolean again = known.stream().anyMatch(d -> d.key().equals(key) && d.readingId() != null);
    String name = DriveNames.inSentence(key);
    return new Move(
        "read-" + key,
        again ? "Read %s again".formatted(name) : "Read what %s says about itself".formatted(name),
        again
            ? "Shows whether its counts still move. Nothing is written."
            : "Settles most about the drive for least: it keeps count of its own troubles. Nothing is written.",
        key,
        Touch.LOOKS_ONLY.ordinal(),
        Touch.LOOKS_ONLY.words(),
        1,
        lock);
  }

  /** All that the gate on the data locks is one lock to the technician, so it is shown once. */
  private static Optional<Move> lockedCourses(List<CourseView> courses) {
    List<CourseView> locked = courses.stream().filter(course -> course.lock() != null).toList();
    if (locked.isEmpty()) {
      return Optional.empty();
    }
    CourseView gravest = locked.get(locked.size() - 1);
    return Optional.of(
        new Move(
            "courses-locked",
            "Anything that writes to or erases the drive",
            locked.stream().map(CourseView::words).collect(Collectors.joining("; ")) + ".",
            null,
            gravest.touch(),
            gravest.touchWords(),
            0,
            gravest.lock()));
  }

  private static Lock underWayLock() {
    return new Lock("It is being read now.", "Opens when the reading has come in.");
  }

  private static Lock linkLock(Integer bay, ProbeView probe) {
    if (bay == null) {
      return new Lock("The machine is on no bay.", "Opens when it sits in a bay with a probe.");
    }
    if (probe == null) {
      return new Lock(
          "There is no probe in bay %d.".formatted(bay),
          "Ask for an enrolment code in the bay and start a probe with it.");
    }
    if (!probe.online()) {
      return new Lock(
          "The probe in bay %d is not connected.".formatted(bay),
          "Opens by itself when the probe runs and reaches the server again.");
    }
    return null;
  }
}
