package tekmerion.server.step;

import static tekmerion.words.Words.say;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Service;
import tekmerion.core.drive.DriveIdentity;
import tekmerion.core.knowhow.Remedy;
import tekmerion.core.permit.Action;
import tekmerion.core.permit.DataStatus;
import tekmerion.core.permit.Lock;
import tekmerion.core.permit.PartIdentity;
import tekmerion.core.permit.Permission;
import tekmerion.core.permit.Permission.Locked;
import tekmerion.core.permit.Permissions;
import tekmerion.core.replace.Fitted;
import tekmerion.core.replace.Fitted.Sat;
import tekmerion.core.replace.OldPartFate;
import tekmerion.link.RunKind;
import tekmerion.server.decision.DecisionService;
import tekmerion.server.evidence.PageStore;
import tekmerion.server.evidence.Reading;
import tekmerion.server.evidence.Readings;
import tekmerion.server.job.Changes.Came;
import tekmerion.server.job.Job;
import tekmerion.server.part.Part;
import tekmerion.server.part.PartPlace;
import tekmerion.server.part.PartService;
import tekmerion.server.permit.JobPermissions;
import tekmerion.server.person.Person;
import tekmerion.server.problem.Refusal;
import tekmerion.server.step.StepPart.OldPart;
import tekmerion.server.supply.OldParts;

/** Whether readings show that another part is in, and what became of the old one. */
@Service
class TakenOut {
  private static final String DRIVE = "drive";

  /** As parts and stock name them, by the word that a remedy has for what it replaces. */
  static final Map<String, String> KINDS =
      Map.of(DRIVE, DRIVE, "memory", "module", "battery", "battery");

  private final OldParts oldParts;
  private final PartService parts;
  private final Readings readings;
  private final PageStore pages;
  private final JobPermissions permissions;

  TakenOut(
      OldParts oldParts,
      PartService parts,
      Readings readings,
      PageStore pages,
      JobPermissions permissions) {
    this.oldParts = oldParts;
    this.parts = parts;
    this.readings = readings;
    this.pages = pages;
    this.permissions = permissions;
  }

  /** What the readings since then show; empty for what no probe can know again. */
  Optional<Fitted<Part>> fitted(Job job, Remedy remedy, Came came) {
    return Optional.ofNullable(KINDS.get(remedy.part())).map(kind -> fitted(job, kind, came));
  }

  private Fitted<Part> fitted(Job job, String kind, Came came) {
    List<PartPlace> sat = parts.sat(job.machine().id(), kind);
    Optional<Instant> lastRead =
        readings.findByJobIdOrderByReceivedAtDesc(job.id()).stream()
            .filter(reading -> tellsOf(kind, reading.partKey()))
            .map(Reading::receivedAt)
            .findFirst();
    return Fitted.of(
        came.begun(),
        sat.stream().map(p -> new Sat<>(p.part(), p.since(), p.until())).toList(),
        lastRead);
  }

  /** What a probe is asked to read, so that it tells which part is in. */
  Optional<String> readKey(Job job, Remedy remedy) {
    return Optional.ofNullable(KINDS.get(remedy.part()))
        .map(
            kind ->
                switch (kind) {
                  case DRIVE ->
                      parts.inMachine(job.machine().id()).stream()
                          .map(PartPlace::partKey)
                          .findFirst()
                          .orElse("drive-a");
                  case "module" -> RunKind.BOARD;
                  default -> RunKind.BATTERY;
                });
  }

  private static boolean tellsOf(String kind, String partKey) {
    return switch (kind) {
      case DRIVE -> partKey.startsWith(DRIVE);
      case "module" -> partKey.equals(RunKind.BOARD);
      default -> partKey.equals(RunKind.BATTERY);
    };
  }

  static String words(Fitted<Part> fitted, Remedy remedy) {
    return switch (fitted.state()) {
      case NOT_READ -> say("step.no-reading-since-it-was-begun", "part", remedy.part());
      case STILL_THE_OLD_ONE ->
          say("step.the-old-one-still-answers", "name", name(fitted.before().orElseThrow()));
      case CANNOT_TELL ->
          say(
              "step.is-in-no-had-been-read",
              "name",
              name(fitted.now().orElseThrow()),
              "part",
              remedy.part());
      case ANOTHER_ONE ->
          fitted
              .before()
              .map(
                  b ->
                      say(
                          "step.is-in-in-place-of",
                          "name",
                          name(fitted.now().get()),
                          "name2",
                          name(b)))
              .orElseGet(() -> say("step.is-in", "name", name(fitted.now().get())));
    };
  }

  private static String name(Part part) {
    String serial = part.serial() == null ? "" : " " + part.serial();
    return (part.model() == null ? say("step.a-part-that-tells-no-model") : part.model()) + serial;
  }

  /** Asked of what a reading showed to be out, and of every drive, read or not: data is on it. */
  Optional<OldPart> old(Job job, Permissions permitted, Remedy remedy, Fitted<Part> fitted) {
    boolean isOut = isOut(fitted);
    boolean isStillIn = fitted.state() == Fitted.Recognised.STILL_THE_OLD_ONE;
    if (!isOut && (isStillIn || !remedy.part().equals(DRIVE))) {
      return Optional.empty();
    }
    Optional<Part> out = isOut ? fitted.before() : Optional.empty();
    Optional<OldParts.Said> said = Optional.ofNullable(oldParts.of(job.id()).get(remedy.id()));
    return Optional.of(
        new OldPart(
            out.map(TakenOut::name).orElse(""),
            said.map(OldParts.Said::fate).orElse(null),
            said.map(s -> s.fate().words()).orElse(null),
            said.map(OldParts.Said::note).orElse(null),
            scrap(job, permitted, remedy, out)
                .locked()
                .map(l -> new DecisionService.Lock(l.reason(), l.opens()))
                .orElse(null)));
  }

  private static boolean isOut(Fitted<Part> fitted) {
    return fitted.state() == Fitted.Recognised.ANOTHER_ONE && fitted.before().isPresent();
  }

  private Permission scrap(Job job, Permissions permitted, Remedy remedy, Optional<Part> out) {
    if (!remedy.part().equals(DRIVE)) {
      return Permission.OPEN;
    }
    return out.flatMap(part -> identity(job, part))
        .map(drive -> permitted.of(new Action.Scrap(permissions.takenOut(job, drive))))
        .orElseGet(
            () ->
                new Locked(
                    Lock.DRIVE_NOT_IDENTIFIED,
                    say("step.no-reading-told-which-drive-was"),
                    say("step.opens-when-it-was-read-in")));
  }

  /** As it told of itself when it was read in this job. */
  private Optional<PartIdentity> identity(Job job, Part part) {
    return readings.findByPartIdOrderByTakenAtDesc(part.id()).stream()
        .filter(reading -> reading.jobId() != null && reading.jobId() == job.id())
        .map(reading -> DriveIdentity.of(pages.load(reading.getId())).flatMap(PartIdentity::of))
        .flatMap(Optional::stream)
        .findFirst();
  }

  /**
   * @throws Refusal 423 if it is to be scrapped and a gate locks that; 409 if nothing was taken out
   */
  String note(
      Job job,
      Permissions permitted,
      Remedy remedy,
      Optional<Came> came,
      OldPartFate fate,
      String note,
      Person by) {
    Fitted<Part> fitted =
        came.flatMap(c -> fitted(job, remedy, c))
            .orElseThrow(
                () ->
                    Refusal.notPossibleNow(
                        say("step.nothing-was-taken-out-by-this"),
                        say("step.begin-the-step-first")));
    Optional<Part> out = isOut(fitted) ? fitted.before() : Optional.empty();
    if (fate == OldPartFate.SCRAPPED) {
      if (note.isBlank()) {
        throw Refusal.badRequest(
            say("step.what-is-scrapped-needs-its-certificate"),
            say("step.write-down-its-number-and-who"));
      }
      scrap(job, permitted, remedy, out)
          .locked()
          .ifPresent(
              locked -> {
                throw Refusal.locked(locked);
              });
    }
    oldParts.keep(
        job,
        remedy.id(),
        out.map(Part::id).orElse(null),
        new OldParts.Said(fate, note.strip()),
        by);
    return out.map(TakenOut::name).orElse(say("step.the-old", "part", remedy.part()));
  }

  /** Whether a drive was taken out and nobody has said what became of it. */
  boolean isDriveOpen(Job job, Remedy remedy, Optional<Came> came) {
    return remedy.part().equals(DRIVE)
        && came.flatMap(c -> fitted(job, remedy, c))
            .filter(f -> f.state() != Fitted.Recognised.STILL_THE_OLD_ONE)
            .isPresent()
        && !oldParts.of(job.id()).containsKey(remedy.id());
  }

  /**
   * Status of the data on the drives that sat in the machine at that moment, wherever they are now:
   * what was copied before a drive was replaced stays copied.
   */
  DataStatus dataOfDrivesAt(Job job, Instant then, Permissions permitted) {
    return parts.sat(job.machine().id(), DRIVE).stream()
        .filter(p -> !p.since().isAfter(then) && p.until().filter(u -> u.isBefore(then)).isEmpty())
        .map(place -> data(job, place, permitted))
        .min(Comparator.comparing(DataStatus::safety))
        .orElseGet(permitted::least);
  }

  private DataStatus data(Job job, PartPlace place, Permissions permitted) {
    return place.until().isEmpty()
        ? permitted.drive(place.partKey()).status()
        : identity(job, place.part())
            .map(drive -> permissions.takenOut(job, drive).status())
            // Which drive it was nobody read: then nothing of it is in any copy.
            .orElse(permitted.at().said());
  }
}
