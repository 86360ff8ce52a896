package tekmerion.server.editing;

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
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.knowhow.Mistakes;
import tekmerion.core.knowhow.Move;
import tekmerion.core.knowhow.Remedy;
import tekmerion.core.knowhow.SignKind;
import tekmerion.server.knowhow.KnowHowChange;
import tekmerion.server.knowhow.KnowHowChange.CauseEdit;
import tekmerion.server.knowhow.KnowHowChange.MoveEdit;
import tekmerion.server.knowhow.KnowHowChange.RemedyEdit;
import tekmerion.server.knowhow.KnowHowChange.SignEdit;
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
   * @param levels of a sign, in the words that are seen
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
      @Schema(nullable = true) SignEdit sign,
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
    // In this order what is shown is never older than the version it is shown under.
    List<Version> history = history(subject, id);
    KnowHow now = knowHow.newest();
    return switch (subject) {
      case SIGN -> {
        SignKind sign = now.sign(id).orElseThrow(() -> none("sign", id));
        yield new Entry(
            subject,
            id,
            sign.name(),
            history.size(),
            KnowHow.shipped().sign(id).isPresent(),
            false,
            sign.source(),
            levels(now, sign),
            new SignEdit(sign.name(), sign.leak(), sign.links()),
            null,
            null,
            null,
            history);
      }
      case CAUSE -> {
        Cause cause = now.cause(id).orElseThrow(() -> none("cause", id));
        yield new Entry(
            subject,
            id,
            cause.name(),
            history.size(),
            true,
            false,
            null,
            List.of(),
            null,
            new CauseEdit(cause.name(), cause.prior(), cause.dataRisk()),
            null,
            null,
            history);
      }
      case MOVE -> {
        Move move = now.move(id).orElseThrow(() -> none("move", id));
        yield new Entry(
            subject,
            id,
            move.name(),
            history.size(),
            KnowHow.shipped().move(id).isPresent(),
            !now.offered().contains(move),
            null,
            List.of(),
            null,
            null,
            new MoveEdit(
                move.name(),
                move.purpose(),
                move.handsOnMinutes(),
                move.waitingMinutes(),
                move.families(),
                move.needs(),
                move.steps()),
            null,
            history);
      }
      case REMEDY -> {
        Remedy remedy = now.remedy(id).orElseThrow(() -> none("remedy", id));
        yield new Entry(
            subject,
            id,
            remedy.name(),
            history.size(),
            true,
            false,
            null,
            List.of(),
            null,
            null,
            null,
            new RemedyEdit(
                remedy.name(),
                remedy.minutes().get(0),
                remedy.minutes().get(1),
                remedy.parts(),
                remedy.cures()),
            history);
      }
    };
  }

  /** In the words of the move that shows it, if one does. */
  private static List<String> levels(KnowHow now, SignKind sign) {
    return now.moves().stream()
        .flatMap(move -> move.tells().stream())
        .filter(seen -> seen.id().equals(sign.id()))
        .findFirst()
        .map(seen -> List.copyOf(seen.levels().values()))
        .orElse(sign.levels());
  }

  private List<Version> history(EntryKind subject, String id) {
    List<Version> history = new ArrayList<>();
    List<Edit.Noted> inForce = new ArrayList<>();
    KnowHow before = KnowHow.shipped();
    for (KnowHowChanges.Kept kept : changes.all()) {
      String leftOut = knowHow.leftOut().get(kept.id());
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
      case SIGN -> of.sign(id).ifPresent(s -> flatSign(of, s, flat));
      case CAUSE ->
          of.cause(id)
              .ifPresent(
                  c -> {
                    flat.put("name", c.name());
                    c.prior()
                        .forEach(
                            (family, p) -> flat.put("prior, " + family(of, family), hundred(p)));
                    flat.put("data lost if left alone", hundred(c.dataRisk()));
                  });
      case MOVE -> of.move(id).ifPresent(m -> flatMove(of, m, flat));
      case REMEDY ->
          of.remedy(id)
              .ifPresent(
                  r -> {
                    flat.put("name", r.name());
                    flat.put("minutes", minutes(r.minutes()));
                    flat.put("parts, in minutes of work", String.valueOf(r.parts()));
                    r.cures().forEach((c, p) -> flat.put("mends " + cause(of, c), hundred(p)));
                  });
    }
    return flat;
  }

  private static void flatSign(KnowHow of, SignKind sign, Map<String, String> flat) {
    flat.put("name", sign.name());
    List<String> levels = levels(of, sign);
    for (int level = 0; level < levels.size(); level++) {
      flat.put("no cause: " + levels.get(level), hundred(sign.leak().get(level)));
      for (Map.Entry<String, List<Double>> link : sign.links().entrySet()) {
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
    return "%d, wait %d".formatted(minutes.get(0), minutes.get(1));
  }

  /** Of 100, without digits that say nothing. */
  private static String hundred(double p) {
    return "%s of 100".formatted(Math.round(p * 10_000) / 100.0).replace(".0 of", " of");
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

  private static Refusal none(String what, String id) {
    return Refusal.notFound("There is no %s %s.".formatted(what, id));
  }
}
