package tekmerion.server.editing;

import static java.util.Locale.ROOT;
import static tekmerion.words.Words.say;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.springframework.stereotype.Service;
import tekmerion.core.knowhow.Cause;
import tekmerion.core.knowhow.Edit;
import tekmerion.core.knowhow.Edit.EntryKind;
import tekmerion.core.knowhow.FindingKind;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.knowhow.Mistakes;
import tekmerion.core.knowhow.Move;
import tekmerion.core.knowhow.Remedy;
import tekmerion.server.knowhow.KnowHowChange;
import tekmerion.server.knowhow.KnowHowChange.CauseEdit;
import tekmerion.server.knowhow.KnowHowChange.FindingEdit;
import tekmerion.server.knowhow.KnowHowChange.MoveEdit;
import tekmerion.server.knowhow.KnowHowChange.RemedyEdit;
import tekmerion.server.knowhow.KnowHowChanges;
import tekmerion.server.knowhow.ShopKnowHow;
import tekmerion.server.problem.Refusal;

/** One entry of the know-how with all that became of it. */
@Service
class Entries {
  private final ShopKnowHow knowHow;
  private final KnowHowChanges changes;

  /**
   * @param version how often it was changed; 0 is as it ships
   * @param ships whether it comes with the product
   * @param aside whether a move is not offered any more
   * @param source where its numbers come from; null where it has none of its own
   * @param levels of a finding, in the words that are seen
   * @param history oldest first
   */
  @Schema(name = "KnowHowEntry")
  record Entry(
      EntryKind subject,
      String id,
      String name,
      int version,
      boolean ships,
      boolean aside,
      @Schema(nullable = true) String source,
      List<String> levels,
      @Schema(nullable = true) FindingEdit finding,
      @Schema(nullable = true) CauseEdit cause,
      @Schema(nullable = true) MoveEdit move,
      @Schema(nullable = true) RemedyEdit remedy,
      List<Version> history) {}

  /**
   * @param leftOut why it is not in force; null if it is
   */
  @Schema(name = "KnowHowVersion")
  record Version(
      int version,
      KnowHowChange change,
      String reason,
      String by,
      Instant at,
      @Schema(nullable = true) String leftOut,
      List<Difference> differences) {}

  /** A value that another takes the place of; empty where there was or is none. */
  @Schema(name = "KnowHowDifference")
  record Difference(String field, String before, String after) {}

  Entries(ShopKnowHow knowHow, KnowHowChanges changes) {
    this.knowHow = knowHow;
    this.changes = changes;
  }

  Entry of(EntryKind subject, String id) {
    ShopKnowHow.InForce inForce = knowHow.newest();
    List<Version> history = history(inForce, subject, id);
    KnowHow now = inForce.knowHow();
    Optional<FindingKind> finding = only(EntryKind.FINDING, subject, now.finding(id));
    Optional<Cause> cause = only(EntryKind.CAUSE, subject, now.cause(id));
    Optional<Move> move = only(EntryKind.MOVE, subject, now.move(id));
    Optional<Remedy> remedy = only(EntryKind.REMEDY, subject, now.remedy(id));
    return new Entry(
        subject,
        id,
        finding
            .map(FindingKind::name)
            .or(() -> cause.map(Cause::name))
            .or(() -> move.map(Move::name))
            .or(() -> remedy.map(Remedy::name))
            .orElseThrow(
                () ->
                    Refusal.notFound(
                        say(
                            "editing.there-is-no",
                            "subject",
                            subject.name().toLowerCase(ROOT),
                            "id",
                            id))),
        history.size(),
        ships(subject, id),
        move.filter(m -> !now.offered().contains(m)).isPresent(),
        finding.map(FindingKind::source).orElse(null),
        finding.map(s -> levels(now, s)).orElse(List.of()),
        finding.map(s -> new FindingEdit(s.name(), s.leak(), s.links())).orElse(null),
        cause.map(c -> new CauseEdit(c.name(), c.prior(), c.dataRisk())).orElse(null),
        move.map(
                m ->
                    new MoveEdit(
                        m.name(),
                        m.purpose(),
                        m.handsOnMinutes(),
                        m.waitingMinutes(),
                        m.families(),
                        m.needs(),
                        m.steps()))
            .orElse(null),
        remedy
            .map(
                r ->
                    new RemedyEdit(
                        r.name(), r.minutes().get(0), r.minutes().get(1), r.parts(), r.cures()))
            .orElse(null),
        history);
  }

  /** Ids of one sort may be those of another. */
  private static <T> Optional<T> only(EntryKind wanted, EntryKind subject, Optional<T> entry) {
    return subject == wanted ? entry : Optional.empty();
  }

  /** The shop's own are moves, and what these tell. */
  private static boolean ships(EntryKind subject, String id) {
    return switch (subject) {
      case FINDING -> KnowHow.shipped().finding(id).isPresent();
      case MOVE -> KnowHow.shipped().move(id).isPresent();
      default -> true;
    };
  }

  /** In the words of the move that shows it, if one does. */
  private static List<String> levels(KnowHow now, FindingKind finding) {
    return now.moves().stream()
        .flatMap(move -> move.tells().stream())
        .filter(seen -> seen.id().equals(finding.id()))
        .findFirst()
        .map(seen -> List.copyOf(seen.levels().values()))
        .orElse(finding.levels());
  }

  /** Up to what is in force: the number of its versions is that of what is shown. */
  private List<Version> history(ShopKnowHow.InForce of, EntryKind subject, String id) {
    List<Version> history = new ArrayList<>();
    List<Edit.Noted> inForce = new ArrayList<>();
    KnowHow before = KnowHow.shipped();
    for (KnowHowChanges.Kept kept : changes.all()) {
      if (kept.id() > of.newest()) {
        break;
      }
      String leftOut = of.leftOut().get(kept.id());
      if (leftOut == null) {
        inForce.add(kept.noted());
      }
      if (kept.subject() != subject || !kept.entry().equals(id)) {
        continue;
      }
      List<Difference> differences = List.of();
      if (leftOut == null) {
        KnowHow after = withOr(before, inForce);
        differences = differences(flat(before, subject, id), flat(after, subject, id));
        before = after;
      }
      history.add(
          new Version(
              kept.version(),
              kept.change(),
              kept.reason(),
              kept.by(),
              kept.at(),
              leftOut,
              differences));
    }
    return history;
  }

  private static KnowHow withOr(KnowHow otherwise, List<Edit.Noted> edits) {
    try {
      return KnowHow.shipped().with(edits);
    } catch (Mistakes e) {
      return otherwise; // only the whole holds together, not this part of it
    }
  }

  /** What can be edited of an entry, each value under its own name. */
  private static Map<String, String> flat(KnowHow of, EntryKind subject, String id) {
    Map<String, String> flat = new LinkedHashMap<>();
    switch (subject) {
      case FINDING -> of.finding(id).ifPresent(s -> flatFinding(of, s, flat));
      case CAUSE ->
          of.cause(id)
              .ifPresent(
                  c -> {
                    flat.put("name", c.name());
                    c.prior()
                        .forEach(
                            (family, p) -> flat.put("prior, " + family(of, family), hundred(p)));
                    flat.put(say("editing.data-lost-if-left-alone"), hundred(c.dataRisk()));
                  });
      case MOVE -> of.move(id).ifPresent(m -> flatMove(of, m, flat));
      case REMEDY ->
          of.remedy(id)
              .ifPresent(
                  r -> {
                    flat.put("name", r.name());
                    flat.put("minutes", minutes(r.minutes()));
                    flat.put(say("editing.parts-in-minutes-of-work"), String.valueOf(r.parts()));
                    r.cures()
                        .forEach(
                            (c, p) ->
                                flat.put(say("editing.mends", "cause", cause(of, c)), hundred(p)));
                  });
    }
    return flat;
  }

  private static void flatFinding(KnowHow of, FindingKind finding, Map<String, String> flat) {
    flat.put("name", finding.name());
    List<String> levels = levels(of, finding);
    for (int level = 0; level < levels.size(); level++) {
      flat.put(
          say("editing.no-cause", "levels", levels.get(level)), hundred(finding.leak().get(level)));
      for (Map.Entry<String, List<Double>> link : finding.links().entrySet()) {
        flat.put(
            "%s: %s".formatted(cause(of, link.getKey()), levels.get(level)),
            hundred(link.getValue().get(level)));
      }
    }
  }

  private static void flatMove(KnowHow of, Move move, Map<String, String> flat) {
    flat.put("name", move.name());
    flat.put("purpose", move.purpose());
    flat.put("minutes", minutes(move.minutes()));
    flat.put("for", String.join(", ", move.families().stream().map(f -> family(of, f)).toList()));
    flat.put("needs", String.join(", ", move.needs()));
    flat.put("steps", String.join(" ", move.steps()));
    flat.put("offered", of.offered().contains(move) ? "yes" : "no");
  }

  private static String cause(KnowHow of, String id) {
    return of.cause(id).map(Cause::name).orElse(id);
  }

  private static String family(KnowHow of, String id) {
    return of.family(id).map(f -> f.name()).orElse(id);
  }

  private static String minutes(List<Integer> minutes) {
    return say("editing.wait", "minutes", minutes.get(0), "minutes2", minutes.get(1));
  }

  /** Of 100, without digits that say nothing. */
  private static String hundred(double p) {
    return "%s of 100"
        .formatted(Math.round(p * 10_000) / 100.0)
        .replace(".0 of", say("editing.of"));
  }

  private static List<Difference> differences(
      Map<String, String> before, Map<String, String> after) {
    Set<String> fields = new LinkedHashSet<>(after.keySet());
    fields.addAll(before.keySet());
    return fields.stream()
        .filter(f -> !Objects.equals(before.get(f), after.get(f)))
        .map(
            f ->
                new Difference(
                    f,
                    Optional.ofNullable(before.get(f)).orElse(""),
                    Optional.ofNullable(after.get(f)).orElse("")))
        .toList();
  }
}
