package tekmerion.probe.instrument;

import java.io.File;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import tekmerion.core.finding.Finding;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.permit.DataStatus;
import tekmerion.core.weigh.Advice;
import tekmerion.core.weigh.NextMoves;
import tekmerion.core.weigh.Plan;
import tekmerion.core.weigh.Sensitivity;
import tekmerion.core.weigh.Weighed;
import tekmerion.core.weigh.Weighing;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** Weighs a case from a file; docs/formats.md has its form. */
@Command(
    name = "weigh",
    description = {
      "Weigh a case from a JSON file: causes, next moves, plans, and what the first place hangs on.",
      "The form of the file is in docs/formats.md."
    },
    mixinStandardHelpOptions = true)
public final class WeighCommand implements Callable<Integer> {
  private static final JsonMapper JSON =
      JsonMapper.builder()
          .enable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
          .enable(SerializationFeature.INDENT_OUTPUT)
          .build();

  private static final int MOVES_SHOWN = 10;
  private static final long MAX_BYTES = 10_000_000;

  @Parameters(index = "0", paramLabel = "CASE.json")
  private File file;

  @Spec private CommandSpec spec;

  /**
   * @param families ids of complaint families
   * @param parts the machine's parts; null for one drive
   * @param dataStatus of the data; null for unknown
   * @param done moves that were made, {@code move@part}
   */
  record Case(
      List<String> families,
      List<Weighing.Part> parts,
      List<Seen> findings,
      DataStatus dataStatus,
      Set<String> done) {}

  /**
   * @param part null for the whole machine
   */
  record Seen(String id, String part, String level) {}

  @Override
  public Integer call() {
    Case given = Input.json(file.toPath(), MAX_BYTES, Case.class, JSON);
    Map<String, Object> answer;
    try {
      answer = answer(given);
    } catch (IllegalArgumentException | NullPointerException e) {
      String found = e.getMessage() == null ? "a value is missing" : e.getMessage();
      throw BadInputException.of(
          "it cannot be weighed", "the form in docs/formats.md", found, file.toPath());
    }
    spec.commandLine().getOut().println(JSON.writeValueAsString(answer));
    return 0;
  }

  static Map<String, Object> answer(Case given) {
    KnowHow knowHow = KnowHow.shipped();
    List<String> families = given.families() == null ? List.of() : given.families();
    families.forEach(
        id ->
            knowHow
                .family(id)
                .orElseThrow(() -> new IllegalArgumentException("no complaint family " + id)));
    List<Weighing.Part> parts =
        given.parts() == null
            ? List.of(new Weighing.Part("drive-a", "drive", "drive A"))
            : given.parts();
    List<Finding> findings =
        (given.findings() == null ? List.<Seen>of() : given.findings())
            .stream().map(seen -> finding(knowHow, seen)).toList();
    DataStatus dataStatus = given.dataStatus() == null ? DataStatus.NOT_ASKED : given.dataStatus();
    Weighed weighed = Weighing.of(knowHow, families, parts, findings);
    Optional<String> decisive =
        findings.stream().flatMap(s -> knowHow.decisive(s).stream()).findFirst();
    Advice advice =
        NextMoves.of(
            knowHow,
            families,
            parts,
            findings,
            NextMoves.Situation.assumed(
                dataStatus, decisive, given.done() == null ? Set.of() : given.done(), true));
    Map<String, Object> answer = new LinkedHashMap<>();
    answer.put("headline", weighed.headline());
    answer.put("noneProbability", weighed.noneProbability());
    answer.put("causes", weighed.causes());
    answer.put(
        "moves", advice.moves().stream().limit(MOVES_SHOWN).map(WeighCommand::move).toList());
    answer.put("plans", advice.plans().stream().map(WeighCommand::plan).toList());
    answer.put("wouldChangeThePlan", advice.turns().stream().map(WeighCommand::turn).toList());
    answer.put("enough", advice.enough());
    answer.put("firstPlaceHangsOn", Sensitivity.of(knowHow, families, parts, findings));
    return answer;
  }

  /** What an owner says, what is seen in a move, or else what a program reads. */
  private static Finding finding(KnowHow knowHow, Seen seen) {
    String part = seen.part() == null ? Finding.MACHINE : seen.part();
    Finding.Basis basis =
        knowHow.isSeenByHand(seen.id())
            ? Finding.Basis.move()
            : knowHow.isSaidByOwner(seen.id()) ? Finding.Basis.intake() : Finding.Basis.run();
    return new Finding(seen.id(), part, seen.level(), seen.id() + ": " + seen.level(), basis);
  }

  private static Map<String, Object> move(Advice.Ranked ranked) {
    Map<String, Object> move = new LinkedHashMap<>();
    move.put("move", ranked.move().id());
    move.put("part", ranked.part().key());
    move.put("bits", ranked.bits());
    move.put("savedMinutes", ranked.savedMinutes());
    move.put("worthPerMinute", ranked.worth());
    move.put("why", ranked.why());
    ranked.lock().ifPresent(lock -> move.put("locked", lock));
    return move;
  }

  private static Map<String, Object> plan(Plan plan) {
    Map<String, Object> shown = new LinkedHashMap<>();
    shown.put("words", plan.words());
    shown.put("courses", plan.courses());
    shown.put("costMinutes", plan.cost());
    shown.put("workMinutes", plan.minutes());
    shown.put("partsMinutes", plan.parts());
    shown.put("comebackMinutes", plan.comeback());
    shown.put("dataMinutes", plan.data());
    shown.put("fails", plan.fails());
    return shown;
  }

  private static Map<String, Object> turn(Advice.Turn turn) {
    Map<String, Object> shown = new LinkedHashMap<>();
    shown.put("move", turn.move().id());
    shown.put("outcome", turn.outcome());
    shown.put("chance", turn.chance());
    shown.put("plan", turn.plan().words());
    return shown;
  }
}
