package tekmerion.server.exchange;

import java.time.Duration;
import java.time.Instant;
import java.time.format.DateTimeParseException;
import java.util.Arrays;
import java.util.Currency;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import java.util.regex.Pattern;
import org.springframework.stereotype.Component;
import tekmerion.core.decision.Course;
import tekmerion.core.forecast.Stage;
import tekmerion.core.isolate.StartOutcome;
import tekmerion.core.permit.DataStatus;
import tekmerion.core.replace.OldPartFate;
import tekmerion.core.replace.Supply;
import tekmerion.core.weigh.Suspicion;
import tekmerion.core.weigh.Weighed;
import tekmerion.link.CopyOrder;
import tekmerion.link.LinkEvent;
import tekmerion.link.MachineNote;
import tekmerion.link.PageNote;
import tekmerion.link.RunKind;
import tekmerion.link.RunResult;
import tekmerion.server.decision.DecidedPlan;
import tekmerion.server.estimate.EstimateView;
import tekmerion.server.handback.HandBacks;
import tekmerion.server.intake.Answers;
import tekmerion.server.isolate.Sort;
import tekmerion.server.job.Changes;
import tekmerion.server.job.Job;
import tekmerion.server.job.JournalEntry;
import tekmerion.server.knowhow.OwnMoves;
import tekmerion.server.knowhow.ShopKnowHow;
import tekmerion.server.move.MoveLog;
import tekmerion.server.part.Machine;
import tekmerion.server.part.Part;
import tekmerion.server.run.Run;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/**
 * What must hold of a value in an archive, beyond the type of its column: it is one that this
 * server could have written itself. Asked of every value before the first one is stored.
 */
@Component
class ArchiveRules {
  /** Nothing that a shop keeps is older. */
  private static final Instant EARLIEST = Instant.parse("2000-01-01T00:00:00Z");

  /** What was promised or is waited for lies ahead; a clock may be a day off. */
  private static final Duration AHEAD = Duration.ofDays(366 * 3L);

  private static final Pattern KEY = Pattern.compile("[A-Za-z0-9][A-Za-z0-9._:-]{0,59}");

  /** A shop's own moves and what they show, which the importing shop may not have. */
  private static final Pattern OWN_MOVE = Pattern.compile("own\\.[a-z0-9.-]{1,51}");

  private static final Pattern OWN_FINDING = Pattern.compile("own\\.[a-z0-9.-]{1,51}\\.seen");

  private final ShopKnowHow knowHow;
  private final JsonMapper json;
  private final Map<String, Predicate<String>> rules = new HashMap<>();

  ArchiveRules(ShopKnowHow knowHow, OwnMoves ownMoves, JsonMapper json) {
    this.knowHow = knowHow;
    this.json = json;
    oneOf("job.suspicion", Suspicion.class);
    oneOf("job.stage", Stage.class);
    oneOf("job.waits_for", Job.WaitsFor.class);
    oneOf("job.ended_how", Job.EndedHow.class);
    oneOf("job_wait.kind", Job.WaitsFor.class);
    oneOf("stage_time.stage", Stage.class);
    oneOf("data_status_entry.data_status", DataStatus.class);
    oneOf("decision.data_status", DataStatus.class);
    oneOf("job_change.result", Changes.ComplaintNow.class);
    oneOf("job_move.outcome", MoveLog.MoveEnd.class);
    oneOf("journal_entry.kind", JournalEntry.Kind.class);
    oneOf("reading_page.outcome", PageNote.Outcome.class);
    oneOf("run.kind", RunKind.class);
    oneOf("run_result.ended", LinkEvent.End.class);
    oneOf("machine.kind", Machine.Kind.class);
    oneOf("part.told_by", Part.ToldBy.class);
    oneOf("isolation_start.outcome", StartOutcome.class);
    oneOf("isolation_setup.sort", Sort.class);
    rules.put("run.state", Run.State.ENDED.name()::equals);
    rules.put("part.kind", Set.of("drive", "battery", "module", "board")::contains);
    rules.put("job_finding.origin", Set.of("intake", "move")::contains);
    rules.put("decision.courses", this::areCourses);
    rules.put("decision.weighing", isJson(Weighed.class));
    rules.put("decision.plan", isJson(DecidedPlan.class));
    rules.put("estimate.plan_lines", isJson(EstimateView.Line[].class));
    rules.put("estimate.currency", ArchiveRules::isCurrency);
    oneOf("part_supply.happened", Supply.Happened.class);
    oneOf("old_part.fate", OldPartFate.class);
    oneOf("hand_back.paid_how", HandBacks.PaidHow.class);
    rules.put("hand_back.currency", ArchiveRules::isCurrency);
    oneOf("approval.how", EstimateView.How.class);
    rules.put("intake.answers", isJson(Answers.class));
    rules.put("intake.applied", isJson(Answers.class));
    rules.put("intake.field_versions", isJson(Map.class));
    rules.put("run.copy_order", isJson(CopyOrder.class));
    rules.put("run.result", isJson(RunResult.class));
    rules.put("run_result.result", isJson(RunResult.class));
    // A probe that never told of itself, as for pages that somebody brought.
    rules.put("probe.machine_note", isJson(MachineNote.class).or("{}"::equals));
    rules.put("job_family.family_id", id -> knowHow.now().family(id).isPresent());
    rules.put(
        "job_finding.finding_id",
        id -> OWN_FINDING.matcher(id).matches() || knowHow.now().finding(id).isPresent());
    rules.put("job_own_move.move_id", OWN_MOVE.asMatchPredicate());
    rules.put("job_own_move.body", text -> ownMoves.read(text).isPresent());
    rules.put("job.boot_stage", this::isBootStage);
    rules.put("run_result.drive_model", text -> !text.isBlank());
    rules.put("run_result.drive_serial", text -> !text.isBlank());
    for (String key :
        List.of(
            "part_place.part_key",
            "reading.part_key",
            "run.part_key",
            "job_finding.part",
            "job_move.part",
            "job.decided_part")) {
      rules.put(key, KEY.asMatchPredicate());
    }
  }

  private static boolean isCurrency(String code) {
    return Currency.getAvailableCurrencies().stream()
        .anyMatch(currency -> currency.getCurrencyCode().equals(code));
  }

  private <E extends Enum<E>> void oneOf(String column, Class<E> values) {
    Set<String> names = new HashSet<>();
    Arrays.stream(values.getEnumConstants()).map(Enum::name).forEach(names::add);
    rules.put(column, names::contains);
  }

  private Predicate<String> isJson(Class<?> type) {
    return text -> {
      try {
        return json.readValue(text, type) != null;
      } catch (JacksonException | NullPointerException e) {
        return false;
      }
    };
  }

  private boolean areCourses(String list) {
    try {
      return Arrays.stream(list.split(",", -1)).map(Course::valueOf).distinct().count() > 0;
    } catch (IllegalArgumentException e) {
      return false;
    }
  }

  private boolean isBootStage(String level) {
    return knowHow.now().finding("boot-stage").flatMap(k -> k.levelIndex(level)).isPresent();
  }

  /**
   * @param value of a column of this kind, never null
   * @param now by the server's clock
   * @return whether this server could have written it
   */
  boolean allows(String column, Columns.Kind kind, Object value, Instant now) {
    return switch (kind) {
      case TIME -> value instanceof String text && isTime(text, now);
      case BYTES -> value instanceof String text && text.matches("([0-9a-f]{2}){0,64}");
      case BOOLEAN -> value instanceof Boolean;
      case WHOLE -> value instanceof Integer || value instanceof Long;
      case DECIMAL -> value instanceof Number n && Double.isFinite(n.doubleValue());
      default ->
          value instanceof String text
              && rules.getOrDefault(column, any -> true).test(text)
              && text.codePoints().noneMatch(c -> c == 0);
    };
  }

  /** What must hold of a row beyond its values: what was seen is one of what may be seen. */
  boolean allows(String table, Map<String, Object> row) {
    return switch (table) {
      case "job_own_move" -> row.keySet().containsAll(Set.of("job_id", "move_id", "body"));
      case "job_finding" ->
          row.get("finding_id") instanceof String finding
              && (OWN_FINDING.matcher(finding).matches()
                  || row.get("level") == null
                  || knowHow
                      .now()
                      .finding(finding)
                      .flatMap(kind -> kind.levelIndex((String) row.get("level")))
                      .isPresent());
      default -> true;
    };
  }

  private static boolean isTime(String text, Instant now) {
    try {
      Instant time = Instant.parse(text);
      return !time.isBefore(EARLIEST) && time.isBefore(now.plus(AHEAD));
    } catch (DateTimeParseException e) {
      return false;
    }
  }
}
