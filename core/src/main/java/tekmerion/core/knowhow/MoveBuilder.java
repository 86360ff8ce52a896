package tekmerion.core.knowhow;

import java.util.List;
import java.util.Map;
import tekmerion.core.knowhow.Move.Act;
import tekmerion.core.knowhow.Move.By;
import tekmerion.core.knowhow.Move.Outcomes;
import tekmerion.core.knowhow.Move.Presupposed;
import tekmerion.core.permit.Invasiveness;
import tekmerion.core.permit.Load;

/**
 * A move by the names of its parts. What is not named is as in a file that leaves it out; see
 * {@link Move} for what each means.
 */
public final class MoveBuilder {
  private String id;
  private String name;
  private String purpose;
  private Act act;
  private String place;
  private String of;
  private By by;
  private List<Load> loads;
  private List<String> families;
  private List<String> kinds;
  private String bootStage;
  private String upTo;
  private List<String> detours;
  private List<String> needs;
  private List<Integer> minutes;
  private Invasiveness invasiveness;
  private Double risk;
  private Integer rung;
  private List<Presupposed> presupposes;
  private Map<String, List<String>> onceSeen;
  private String after;
  private String whenFailed;
  private List<String> steps;
  private List<Outcomes> tells;
  private List<String> findings;
  private List<MakerTopic> notes;

  /** With nothing but its id. */
  MoveBuilder(String id) {
    this.id = id;
  }

  /** The same move, to be changed. */
  MoveBuilder(Move move) {
    id = move.id();
    name = move.name();
    purpose = move.purpose();
    act = move.act();
    place = move.place();
    of = move.of();
    by = move.by();
    loads = move.loads();
    families = move.families();
    kinds = move.kinds();
    bootStage = move.bootStage();
    upTo = move.upTo();
    detours = move.detours();
    needs = move.needs();
    minutes = move.minutes();
    invasiveness = move.invasiveness();
    risk = move.risk();
    rung = move.rung();
    presupposes = move.presupposes();
    onceSeen = move.onceSeen();
    after = move.after();
    whenFailed = move.whenFailed();
    steps = move.steps();
    tells = move.tells();
    findings = move.findings();
    notes = move.notes();
  }

  public MoveBuilder name(String name) {
    this.name = name;
    return this;
  }

  public MoveBuilder purpose(String purpose) {
    this.purpose = purpose;
    return this;
  }

  public MoveBuilder act(Act act) {
    this.act = act;
    return this;
  }

  public MoveBuilder place(String place) {
    this.place = place;
    return this;
  }

  public MoveBuilder of(String of) {
    this.of = of;
    return this;
  }

  public MoveBuilder by(By by) {
    this.by = by;
    return this;
  }

  public MoveBuilder loads(List<Load> loads) {
    this.loads = loads;
    return this;
  }

  public MoveBuilder families(List<String> families) {
    this.families = families;
    return this;
  }

  public MoveBuilder kinds(List<String> kinds) {
    this.kinds = kinds;
    return this;
  }

  public MoveBuilder bootStage(String bootStage) {
    this.bootStage = bootStage;
    return this;
  }

  public MoveBuilder upTo(String upTo) {
    this.upTo = upTo;
    return this;
  }

  public MoveBuilder detours(List<String> detours) {
    this.detours = detours;
    return this;
  }

  public MoveBuilder needs(List<String> needs) {
    this.needs = needs;
    return this;
  }

  public MoveBuilder minutes(List<Integer> minutes) {
    this.minutes = minutes;
    return this;
  }

  public MoveBuilder invasiveness(Invasiveness invasiveness) {
    this.invasiveness = invasiveness;
    return this;
  }

  public MoveBuilder risk(Double risk) {
    this.risk = risk;
    return this;
  }

  public MoveBuilder rung(Integer rung) {
    this.rung = rung;
    return this;
  }

  public MoveBuilder onceSeen(Map<String, List<String>> onceSeen) {
    this.onceSeen = onceSeen;
    return this;
  }

  public MoveBuilder presupposes(List<Presupposed> presupposes) {
    this.presupposes = presupposes;
    return this;
  }

  public MoveBuilder after(String after) {
    this.after = after;
    return this;
  }

  public MoveBuilder whenFailed(String whenFailed) {
    this.whenFailed = whenFailed;
    return this;
  }

  public MoveBuilder steps(List<String> steps) {
    this.steps = steps;
    return this;
  }

  public MoveBuilder tells(List<Outcomes> tells) {
    this.tells = tells;
    return this;
  }

  public MoveBuilder findings(List<String> findings) {
    this.findings = findings;
    return this;
  }

  public MoveBuilder notes(List<MakerTopic> notes) {
    this.notes = notes;
    return this;
  }

  public Move build() {
    return new Move(
        id,
        name,
        purpose,
        act,
        place,
        of,
        by,
        loads,
        families,
        kinds,
        bootStage,
        upTo,
        detours,
        needs,
        minutes,
        invasiveness,
        risk,
        rung,
        presupposes,
        onceSeen,
        after,
        whenFailed,
        steps,
        tells,
        findings,
        notes);
  }
}
