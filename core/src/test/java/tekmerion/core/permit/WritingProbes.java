package tekmerion.core.permit;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import tekmerion.core.permit.ShopRecords.Job;
import tekmerion.core.permit.ShopRecords.Run;
import tekmerion.core.permit.World.Drive;
import tekmerion.core.permit.World.Unit;

/**
 * Probes that erase drives: each holds the drive that it opened and writes while its release holds.
 */
final class WritingProbes {
  /** A release is worth so long, and is asked for again after half of it. */
  private static final int VALID_SECONDS = 15;

  /** A probe that writes: it holds the drive that it opened, not the place. */
  private static final class Writing {
    final Job job;
    final String place;
    final PartIdentity named;
    final Drive opened;
    int askedAt;
    boolean begun;

    Writing(Job job, String place, PartIdentity named, Drive opened) {
      this.job = job;
      this.place = place;
      this.named = named;
      this.opened = opened;
    }
  }

  private final Random random;
  private final World world;
  private final ShopRecords kept;
  private final List<Writing> writing = new ArrayList<>();

  /** Seconds. */
  private int now;

  private long erased;
  private long refused;

  WritingProbes(Random random, World world, ShopRecords kept) {
    this.random = random;
    this.world = world;
    this.kept = kept;
  }

  int now() {
    return now;
  }

  void pass(int seconds) {
    now += seconds;
  }

  /** Pieces that were erased. */
  long erased() {
    return erased;
  }

  long refused() {
    return refused;
  }

  /** After it was permitted: which drive is opened, whatever sits there later. */
  void open(Job job, String place, PartIdentity named, Drive opened) {
    writing.add(new Writing(job, place, named, opened));
  }

  /** What is not permitted any more is told to stop; not every probe is reached. */
  void mayBeStopped() {
    writing.removeIf(w -> random.nextBoolean() && !isReleased(w));
  }

  void stop(PartIdentity drive) {
    writing.removeIf(w -> w.named.equals(drive));
  }

  boolean hasBegun(PartIdentity drive) {
    return writing.stream().anyMatch(w -> w.begun && w.named.equals(drive));
  }

  boolean isWritingTo(Drive drive) {
    return writing.stream().anyMatch(w -> w.begun && w.opened == drive);
  }

  boolean isAtWorkFor(Job job) {
    return writing.stream().anyMatch(w -> w.job == job);
  }

  private Optional<Writing> any() {
    return writing.isEmpty()
        ? Optional.empty()
        : Optional.of(writing.get(random.nextInt(writing.size())));
  }

  private boolean isReleased(Writing w) {
    // The desk: the drive in the place must be the named one, and it must be permitted now.
    return w.job.places.get(w.place) == w.opened
        && w.opened.identity.equals(w.named)
        && kept.permissions(w.job)
            .of(new Action.Write(Effects.of(Invasiveness.ERASES), w.place, w.named))
            .isOpen();
  }

  /** What the newest survey of the drive found, in whatever job, as the release says it. */
  private boolean holdsWhatWasSurveyed(Writing w) {
    return !kept.permissions(w.job).drive(w.place).mustHoldWhatWasSurveyed()
        || kept.surveys(w.named)
            .reduce((a, b) -> b)
            .filter(s -> s.content().equals(w.opened.content()))
            .isPresent();
  }

  /** A piece of the drive, if its release holds; some probes stood still for long before. */
  String write() {
    Optional<Writing> found = any();
    if (found.isEmpty()) {
      return "nothing is written";
    }
    Writing w = found.get();
    if (random.nextInt(5) == 0) {
      now += 100; // frozen, and thawed
    }
    if (!w.begun || now - w.askedAt >= VALID_SECONDS / 2) {
      if (!isReleased(w) || !w.begun && !holdsWhatWasSurveyed(w)) {
        refused++;
        writing.remove(w);
        return "the probe refuses";
      }
      w.askedAt = now;
      w.begun = true;
      kept.runs.add(
          new Run(w.job.number, Optional.of(w.named), new DataEvent.Erased(false), false));
    }
    if (kept.jobs.stream().noneMatch(j -> j.places.containsValue(w.opened))) {
      writing.remove(w);
      return "the drive is gone";
    }
    Set<Unit> piece =
        w.opened.units.stream().filter(u -> random.nextInt(3) != 0).collect(Collectors.toSet());
    world.gone(piece, kept.askedIn(w.job, w.named));
    w.opened.units.removeAll(piece);
    erased += piece.size();
    if (w.opened.units.isEmpty()) {
      writing.remove(w);
      kept.runs.add(new Run(w.job.number, Optional.of(w.named), new DataEvent.Erased(true), false));
    }
    return "erased %d of %s".formatted(piece.size(), w.named);
  }
}
