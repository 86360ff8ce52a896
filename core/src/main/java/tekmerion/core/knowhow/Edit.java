package tekmerion.core.knowhow;

import static tekmerion.words.Words.say;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import tekmerion.core.knowhow.KnowHow.Entries;
import tekmerion.core.permit.Invasiveness;
import tekmerion.core.permit.Load;

/**
 * One change that a shop makes to its know-how. What code or recorded jobs rely on cannot be
 * edited: ids, the levels of a finding, what a probe does.
 */
public sealed interface Edit {
  /** Id of the entry that it changes. */
  String id();

  EntryKind subject();

  /**
   * @param shipped what it goes back to
   * @param because who set it and why; becomes part of the source of numbers
   */
  void apply(Entries entries, KnowHow shipped, String because);

  /** What an entry is. */
  enum EntryKind {
    CAUSE,
    FINDING,
    MOVE,
    REMEDY
  }

  /** An edit with who made it and why. */
  record Noted(Edit edit, String because) {}

  /** It has nothing to change. */
  final class NotPossible extends RuntimeException {
    private static final long serialVersionUID = 1L;

    NotPossible(String why) {
      super(why);
    }
  }

  /**
   * One likelihood.
   *
   * @param link probability of every level of the finding under the cause
   */
  record Likelihood(String id, String cause, List<Double> link) implements Edit {
    @Override
    public EntryKind subject() {
      return EntryKind.FINDING;
    }

    @Override
    public void apply(Entries entries, KnowHow shipped, String because) {
      entries.findings.put(id, known(entries.findings, this).with(cause, link, because));
    }
  }

  /**
   * All numbers of a finding.
   *
   * @param leak probability of each level when no cause is at work
   * @param links by cause
   */
  record OfFinding(String id, String name, List<Double> leak, Map<String, List<Double>> links)
      implements Edit {
    @Override
    public EntryKind subject() {
      return EntryKind.FINDING;
    }

    @Override
    public void apply(Entries entries, KnowHow shipped, String because) {
      FindingKind was = known(entries.findings, this);
      String source = shipped.finding(id).map(FindingKind::source).orElse(was.source());
      entries.findings.put(
          id,
          new FindingKind(
              id,
              ShippedWords.orTyped(name, of -> of.finding(id).map(FindingKind::name)),
              was.group(),
              was.levels(),
              leak,
              links,
              was.words(),
              was.decisive(),
              source + "; " + because));
    }
  }

  /**
   * @param prior by complaint family; "any" for the rest
   */
  record OfCause(String id, String name, Map<String, Double> prior, double dataRisk)
      implements Edit {
    @Override
    public EntryKind subject() {
      return EntryKind.CAUSE;
    }

    @Override
    public void apply(Entries entries, KnowHow shipped, String because) {
      Cause was = known(entries.causes, this);
      entries.causes.put(
          id,
          new Cause(
              id,
              ShippedWords.orTyped(name, of -> of.cause(id).map(Cause::name)),
              was.claim(),
              was.guess(),
              was.partKind(),
              was.place(),
              was.kinds(),
              prior,
              dataRisk));
    }
  }

  /**
   * What a shop may say of any move.
   *
   * @param minutes hands-on, then waiting
   * @param families complaints it is for; empty for all
   */
  record MoveWords(
      String name,
      String purpose,
      List<Integer> minutes,
      List<String> families,
      List<String> needs,
      List<String> steps) {}

  record OfMove(String id, MoveWords words) implements Edit {
    @Override
    public EntryKind subject() {
      return EntryKind.MOVE;
    }

    @Override
    public void apply(Entries entries, KnowHow shipped, String because) {
      entries.moves.put(id, known(entries.moves, this).with(shippedOrTyped()));
      entries.aside.remove(id);
    }

    private MoveWords shippedOrTyped() {
      return new MoveWords(
          ShippedWords.orTyped(words.name, of -> of.move(id).map(Move::name)),
          ShippedWords.orTyped(words.purpose, of -> of.move(id).map(Move::purpose)),
          words.minutes,
          words.families,
          ShippedWords.orTyped(words.needs, of -> of.move(id).map(Move::needs)),
          ShippedWords.orTyped(words.steps, of -> of.move(id).map(Move::steps)));
    }
  }

  /**
   * @param minutes hands-on, then waiting
   * @param parts their price in minutes of work
   * @param cures probability that it mends a cause for good, by cause
   */
  record OfRemedy(
      String id, String name, List<Integer> minutes, int parts, Map<String, Double> cures)
      implements Edit {
    @Override
    public EntryKind subject() {
      return EntryKind.REMEDY;
    }

    @Override
    public void apply(Entries entries, KnowHow shipped, String because) {
      Remedy was = known(entries.remedies, this);
      entries.remedies.put(
          id,
          new Remedy(
              id,
              ShippedWords.orTyped(name, of -> of.remedy(id).map(Remedy::name)),
              was.course(),
              was.part(),
              minutes,
              was.setUp(),
              parts,
              was.invasiveness(),
              was.owner(),
              cures,
              was.doneBy()));
    }
  }

  /** A move of the shop's own, done by hand, with one thing to look at. */
  record OwnMove(String id, MoveWords words, Manner manner, Look look) implements Edit {
    /**
     * How it is done.
     *
     * @param of kind of part it is done to; "machine" for the whole
     * @param bootStage how far the machine must get for it
     * @param invasiveness not what erases: that is guided by what ships only
     * @param loads what it works for long: its locks follow from that as those of any move
     */
    public record Manner(
        Move.Act act,
        String place,
        String of,
        String bootStage,
        Invasiveness invasiveness,
        List<Load> loads) {}

    /**
     * @param at what is looked at
     * @param levels words of what may be seen, the first for "nothing there"
     * @param leak probability of each when no cause is at work
     * @param links the same under each cause alone
     */
    public record Look(
        String at, List<String> levels, List<Double> leak, Map<String, List<Double>> links) {}

    /** No move that ships has an id that begins so. */
    public static final String PREFIX = "own.";

    /** Ends the id of the finding of what is seen. */
    public static final String SEEN = ".seen";

    /** Length of an id [characters]; with {@link #SEEN} it is still one of a finding. */
    public static final int MAX_ID = 55;

    @Override
    public EntryKind subject() {
      return EntryKind.MOVE;
    }

    @Override
    public void apply(Entries entries, KnowHow shipped, String because) {
      if (!id.startsWith(PREFIX) || entries.moves.containsKey(id)) {
        throw new NotPossible(say("knowhow.move-is-known-already", "id", id));
      }
      if (id.length() > MAX_ID) {
        throw new NotPossible(say("knowhow.the-name-of-is-too-long", "id", id));
      }
      if (manner.invasiveness == Invasiveness.ERASES) {
        throw new NotPossible(say("knowhow.would-erase-the-shops-own-moves", "name", words.name));
      }
      if (look.links.isEmpty()) {
        throw new NotPossible(say("knowhow.what-looks-at-speaks-for-no", "name", words.name));
      }
      LinkedHashMap<String, String> seen = new LinkedHashMap<>();
      for (int level = 0; level < look.levels.size(); level++) {
        seen.put("seen-" + level, look.levels.get(level));
      }
      Move.Outcomes tells =
          new Move.Outcomes(
              id + SEEN, look.at, null, seen, null, look.leak, look.links, null, because);
      Move move =
          Move.called(id)
              .act(manner.act)
              .place(manner.place)
              .of(manner.of)
              .loads(manner.loads)
              .bootStage(manner.bootStage)
              .invasiveness(manner.invasiveness)
              .presupposes(
                  manner.invasiveness.endangersData() ? List.of(Move.Presupposed.COPY) : List.of())
              .tells(List.of(tells))
              .build()
              .with(words);
      entries.moves.put(id, move);
      entries.findings.put(tells.id(), tells.kind(because));
    }
  }

  /** A move that the shop does not want to be offered; what it told in past jobs stays. */
  record Aside(String id) implements Edit {
    @Override
    public EntryKind subject() {
      return EntryKind.MOVE;
    }

    @Override
    public void apply(Entries entries, KnowHow shipped, String because) {
      known(entries.moves, this);
      entries.aside.add(id);
    }
  }

  /** Takes every edit of an entry back. */
  record AsShipped(String id, EntryKind subject) implements Edit {
    @Override
    public void apply(Entries entries, KnowHow shipped, String because) {
      switch (subject) {
        case CAUSE -> entries.causes.put(id, back(shipped.cause(id).orElse(null)));
        case FINDING -> entries.findings.put(id, back(shipped.finding(id).orElse(null)));
        case REMEDY -> entries.remedies.put(id, back(shipped.remedy(id).orElse(null)));
        case MOVE -> {
          entries.moves.put(id, back(shipped.move(id).orElse(null)));
          entries.aside.remove(id);
        }
      }
    }

    private <T> T back(T shipped) {
      if (shipped == null) {
        throw new NotPossible(say("knowhow.does-not-ship-it-is-the", "id", id));
      }
      return shipped;
    }
  }

  private static <T> T known(Map<String, T> entries, Edit edit) {
    T entry = entries.get(edit.id());
    if (entry == null) {
      throw new NotPossible(
          say(
              "knowhow.there-is-no",
              "subject",
              edit.subject().name().toLowerCase(Locale.ROOT),
              "edit",
              edit.id()));
    }
    return entry;
  }
}
