package tekmerion.evaluation.shop;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import tekmerion.core.finding.Finding;
import tekmerion.core.knowhow.Hazards;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.knowhow.Move;
import tekmerion.core.permit.DataStatus;
import tekmerion.core.permit.Invasiveness;
import tekmerion.core.permit.Load;
import tekmerion.core.permit.Permissions;
import tekmerion.core.weigh.Advice;
import tekmerion.core.weigh.Advice.Ranked;
import tekmerion.core.weigh.Conflict;
import tekmerion.core.weigh.EvidenceAgainstParts;
import tekmerion.core.weigh.NextMoves;
import tekmerion.core.weigh.NextMoves.Situation;
import tekmerion.core.weigh.Plan;
import tekmerion.core.weigh.Weighed;
import tekmerion.core.weigh.Weighed.CauseShare;
import tekmerion.core.weigh.Weighing;
import tekmerion.core.weigh.Weighing.Part;
import tekmerion.sim.shop.Rung;

/** One machine's way through the shop, from the counter to the decision. */
final class Visit {
  /** Nobody goes on for ever. */
  private static final int MAX_MOVES = 60;

  /** A tool is not there. */
  private static final double NO_TOOL = 0.02;

  /** A stranger's machine is brought to answer a probe, once. */
  private static final double REACHING_MINUTES = 7;

  /** An hour under load of a drive that is going, and its chance of dying in it. */
  private static final double DIES_PER_LOADED_HOUR = 0.05;

  private final KnowHow knowHow;
  private final Patient patient;
  private final Noise noise;
  private final Chooser chooser;
  private final Random random;
  private final List<Part> parts = List.of(new Part(DriveWork.PART, "drive", "drive A"));
  private final List<Finding> findings = new ArrayList<>();
  private final Set<String> done = new HashSet<>();
  private final List<String> made = new ArrayList<>();
  private final Consumer<Supplier<String>> told;
  private Consumer<FixedOrder.Made> observer;
  private List<String> families;
  private DataStatus dataStatus;
  private double handsOn;
  private double waiting;
  private boolean dataLost;
  private boolean reached;
  private int hazards;

  /**
   * How wrongly people tell and look.
   *
   * @param owners share of an owner's answers that are any other
   * @param technicians share of outcomes that are noted as any other
   */
  record Noise(double owners, double technicians) {
    static final Noise USUAL = new Noise(0.05, 0.015);
  }

  /**
   * @param families that the owner named
   * @param topProbability of the first cause
   * @param present whether the machine has the first cause at all
   * @param right whether the first cause is behind the complaint; of a sound machine, whether it is
   *     said to have none of them
   * @param decidedRight whether the decision ends the complaint
   * @param rebuiltWithoutNeed whether it sets a system up anew, or erases, where less would do
   * @param rightCourse whether what is done is about the least that ends it
   * @param hazards how often a swollen pack was loaded, or a clicking drive worked on
   * @param minutes hands-on, and waiting at a tenth
   * @param levels what was seen last, by finding
   * @param conflictBits how much the findings speak against one another: {@link Conflict#bits}
   * @param dataLost by something that a move or the decision did
   */
  record Result(
      List<String> families,
      List<String> truth,
      String topCause,
      double topProbability,
      boolean present,
      boolean right,
      String decided,
      boolean decidedRight,
      boolean rebuiltWithoutNeed,
      boolean rightCourse,
      double handsOn,
      double waiting,
      double minutes,
      List<String> moves,
      Map<String, String> levels,
      double conflictBits,
      boolean dataLost,
      int hazards) {}

  /**
   * @param told what happens, a line at a time
   */
  Visit(
      KnowHow knowHow,
      Patient patient,
      Chooser chooser,
      Noise noise,
      long seed,
      Consumer<Supplier<String>> told) {
    this.told = told;
    this.knowHow = knowHow;
    this.patient = patient;
    this.noise = noise;
    this.chooser = chooser;
    this.random = new Random(seed);
  }

  Result run() {
    Counter.Story story = new Counter(knowHow, random, noise.owners()).write(patient);
    families = story.families();
    told.accept(() -> "%s says %s: %s".formatted(patient.truth(), families, story.findings()));
    story
        .findings()
        .forEach(
            (finding, level) ->
                findings.add(
                    new Finding(finding, Finding.MACHINE, level, finding, Finding.Basis.intake())));
    dataStatus =
        random.nextDouble() < 0.08
            ? DataStatus.NOT_ASKED
            : patient.isDataWanted() ? DataStatus.WANTED : DataStatus.NOT_WANTED;
    while (made.size() < MAX_MOVES) {
      Optional<Ranked> next = chooser.next(families, this::advice, this::weigh, random);
      if (next.isEmpty()) {
        break;
      }
      told.accept(() -> "  " + weigh().headline());
      if (observer == null) {
        make(next.get().move(), next.get().part());
      } else {
        observed(next.get());
      }
    }
    return decided();
  }

  /** Tells somebody what each move told of what is really at fault. */
  Visit tellingOf(Consumer<FixedOrder.Made> each) {
    observer = each;
    return this;
  }

  private void observed(Ranked next) {
    double before = ofTruth();
    double minutes = handsOn + waiting / 10;
    make(next.move(), next.part());
    double spent = Math.max(1, handsOn + waiting / 10 - minutes);
    double bits = Math.log(ofTruth() / before) / Math.log(2);
    observer.accept(new FixedOrder.Made(families.get(0), next.move().id(), spent, bits));
  }

  /** The probability of what is behind the complaint, as it is weighed now. */
  private double ofTruth() {
    Weighed now = weigh();
    double known =
        now.causes().stream()
            .filter(share -> patient.isBehind(share.cause()))
            .mapToDouble(CauseShare::probability)
            .max()
            .orElse(0);
    return Math.max(1e-4, patient.isSound() ? now.noneProbability() : known);
  }

  private Advice advice() {
    return NextMoves.of(
        knowHow,
        families,
        parts,
        findings,
        new Situation(permissions(), done, true, reached, true));
  }

  private Permissions permissions() {
    Hazards hazards = Hazards.of(knowHow, findings);
    return Permissions.of(
        tekmerion.core.permit.Situation.assumed(dataStatus, hazards.ofDrive(DriveWork.PART, false))
            .with(hazards.ofBattery(), EvidenceAgainstParts.against(knowHow, weigh())));
  }

  private Weighed weigh() {
    return Weighing.of(knowHow, families, parts, findings, dataStatus);
  }

  private void make(Move move, Part part) {
    made.add(move.id());
    done.add(move.id() + "@" + part.key());
    handsOn += move.handsOnMinutes() + (move.by() != null && !reached ? REACHING_MINUTES : 0);
    reached |= move.by() != null;
    waiting += move.waitingMinutes();
    Rung needed = Rung.valueOf(move.bootStage().toUpperCase(Locale.ROOT));
    Rung gets = patient.start();
    if (gets.compareTo(needed) < 0) {
      know(
          "boot-stage",
          gets.name().toLowerCase(Locale.ROOT)); // it could not run; now it is known how far
      return;
    }
    if (!move.needs().isEmpty() && random.nextDouble() < NO_TOOL) {
      return;
    }
    danger(move);
    if (move.id().equals("read-drive")) {
      findings.addAll(patient.readDrive());
      return;
    }
    Map<String, String> seen = patient.make(move.id());
    told.accept(() -> "%s: %s".formatted(move.id(), seen));
    seen.forEach((finding, level) -> know(finding, part.key(), read(finding, level)));
    if (move.act() == Move.Act.COPY && seen.containsKey("copy.errors")) {
      dataStatus = DataStatus.COPY_VERIFIED;
    }
  }

  /** What the move does to data that is wanted and in one place only. */
  private void danger(Move move) {
    boolean atStake = patient.isDataWanted() && dataStatus != DataStatus.COPY_VERIFIED;
    boolean going = patient.isDriveGoing();
    double hours = (move.handsOnMinutes() + move.waitingMinutes()) / 60.0;
    boolean loaded =
        move.effects().loads().contains(Load.DRIVE)
            || move.invasiveness() == Invasiveness.WRITES_TO_DRIVE;
    boolean dies = going && loaded && random.nextDouble() < DIES_PER_LOADED_HOUR * hours;
    dataLost |= atStake && (dies || move.invasiveness() == Invasiveness.ERASES);
    boolean wears =
        atStake // a drive whose data nobody wants needs no sparing
            && patient.isDriveClicking()
            && Hazards.of(knowHow, findings).ofDrive(DriveWork.PART, false).isPresent()
            && move.effects().loads().contains(Load.DRIVE)
            && move.act() != Move.Act.COPY;
    boolean swells = patient.isSwollen() && move.effects().loads().contains(Load.BATTERY);
    hazards += wears || swells ? 1 : 0;
  }

  private String read(String finding, String level) {
    if (random.nextDouble() >= noise.technicians()) {
      return level;
    }
    List<String> levels = knowHow.finding(finding).orElseThrow().levels();
    return levels.get(random.nextInt(levels.size()));
  }

  private void know(String finding, String level) {
    know(finding, Finding.MACHINE, level);
  }

  private void know(String finding, String part, String level) {
    findings.add(new Finding(finding, part, level, finding, Finding.Basis.move()));
  }

  private Result decided() {
    Weighed weighed = weigh();
    CauseShare top = weighed.causes().get(0);
    Advice advice = advice();
    Plan plan = advice.plans().get(0);
    told.accept(
        () -> "decided: %s, first %s %.2f".formatted(plan.words(), top.cause(), top.probability()));
    Patient.Outcome outcome = patient.follow(plan);
    boolean copies = plan.remedies().stream().anyMatch(r -> r.id().equals("recover-data"));
    boolean erases =
        plan.remedies().stream().anyMatch(r -> r.invasiveness() == Invasiveness.ERASES);
    boolean writes = plan.remedies().stream().anyMatch(r -> r.invasiveness().endangersData());
    boolean going = patient.isDriveGoing();
    dataLost |=
        patient.isDataWanted()
            && dataStatus != DataStatus.COPY_VERIFIED
            && !copies
            && (erases || writes && going);
    return new Result(
        families,
        patient.truth(),
        top.cause(),
        top.probability(),
        patient.has(top.cause()),
        patient.isSound()
            ? weighed.noneProbability() > top.probability()
            : patient.isBehind(top.cause()),
        plan.words(),
        outcome.ends(),
        outcome.rebuiltWithoutNeed(),
        outcome.right(),
        handsOn,
        waiting,
        handsOn + waiting / 10,
        List.copyOf(made),
        findings.stream()
            .collect(Collectors.toMap(Finding::id, Finding::level, (before, last) -> last)),
        weighed.conflictBits(),
        dataLost,
        hazards);
  }
}
