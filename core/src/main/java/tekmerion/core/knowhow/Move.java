package tekmerion.core.knowhow;

import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tekmerion.core.permit.Effects;
import tekmerion.core.permit.Invasiveness;
import tekmerion.core.permit.Load;

/**
 * Something that can be done next.
 *
 * @param name as shown; {@code {part}} stands for the part
 * @param purpose why it is worth doing, in a sentence
 * @param place group in the checking order
 * @param of kind of part it is done to; "machine" for the whole
 * @param by the probe's work that does it; null if a technician does it by hand
 * @param loads what it works for long; null if the file does not say
 * @param families complaint families it makes sense for; empty for all
 * @param kinds kinds of machine it can be made on, levels of the finding {@code kind}; empty for
 *     all
 * @param bootStage how far the machine must get, a level of the finding {@code boot-stage}
 * @param upTo how far it may get at most; "desktop" if it always makes sense
 * @param detours moves that do instead where it does not start that far
 * @param needs tools and parts
 * @param minutes hands-on, then waiting
 * @param risk probability that wanted data is lost by it
 * @param rung place on the ladder of system repairs; 0 if it is not on it
 * @param presupposes what must hold before it makes sense
 * @param onceSeen levels by finding, one of which must have been seen before it makes sense; empty
 *     for always
 * @param after the next rung if it did not help; empty if there is none
 * @param whenFailed what comes after it broke off half way, an outcome {@code failed}; empty if
 *     nothing does
 * @param steps instructions in order, as they are written; {@link #guided} has their timers
 * @param tells its possible outcomes as findings of its own
 * @param findings ids of findings that the probe's work gives
 * @param notes what the shop may have noted of the maker's machines that helps here
 */
public record Move(
    String id,
    String name,
    String purpose,
    Act act,
    String place,
    String of,
    By by,
    List<Load> loads,
    List<String> families,
    List<String> kinds,
    String bootStage,
    String upTo,
    List<String> detours,
    List<String> needs,
    List<Integer> minutes,
    Invasiveness invasiveness,
    Double risk,
    Integer rung,
    List<Presupposed> presupposes,
    Map<String, List<String>> onceSeen,
    String after,
    String whenFailed,
    List<String> steps,
    List<Outcomes> tells,
    List<String> findings,
    List<MakerTopic> notes) {

  /** Level of an outcome that says that it broke off half way. */
  public static final String FAILED = "failed";

  public enum Act {
    OBSERVE,
    TEST,
    SWAP,
    CLEAN,
    REPAIR,
    COPY,
    RESET
  }

  /** What the probe can do by itself. */
  public enum By {
    READ,
    SURFACE_SCAN,
    SURFACE_SAMPLE,
    SELF_TEST_SHORT,
    SELF_TEST_EXTENDED
  }

  /** What a repair of the system presupposes. */
  public enum Presupposed {
    /** The data is copied and verified, or not wanted. */
    COPY,
    /** No part of the machine is under suspicion. */
    HARDWARE,
    /** It runs on the adapter. */
    MAINS
  }

  /** How an outcome asks for the complaint. */
  public enum ComplaintAsked {
    /** With something taken away or changed for the moment. */
    TRIED,
    /** After something that lasts: once it is gone, trying more tells nothing. */
    MENDED
  }

  /**
   * @param waitSeconds how long to wait after it; 0 for no wait
   */
  public record Step(String words, int waitSeconds) {
    private static final Pattern WAIT = Pattern.compile("(.*\\S)\\s*@(\\d+)");

    /** From "Leave it. @180". */
    public static Step of(String text) {
      Matcher wait = WAIT.matcher(text);
      return wait.matches()
          ? new Step(wait.group(1), Integer.parseInt(wait.group(2)))
          : new Step(text, 0);
    }
  }

  /**
   * What a technician sees, as a finding; the first level is what shows when no cause is at work.
   *
   * @param group findings of one group are counted once; null for one of its own
   * @param levels words by level
   * @param complaint how it asks for the complaint; null if it asks for something else
   * @param source null for the file's
   */
  public record Outcomes(
      String id,
      String name,
      String group,
      LinkedHashMap<String, String> levels,
      ComplaintAsked complaint,
      List<Double> leak,
      Map<String, List<Double>> links,
      Map<String, String> decisive,
      String source) {
    /** The complaint was asked for and did not come. */
    private static final Set<String> AWAY =
        Set.of("gone", "comes", "runs", "works", "better", "quiet");

    /** What was under way ended, or what was shut opened, and the complaint with it. */
    private static final Set<String> ENDS = Set.of("ends", "opens");

    /** Whether this level says that the complaint is gone for good. */
    public boolean isMended(String level) {
      return complaint == ComplaintAsked.MENDED && (AWAY.contains(level) || ENDS.contains(level));
    }

    /** The level that says that the complaint did not come; empty if it is not asked for. */
    public Optional<String> gone() {
      return complaint == null
          ? Optional.empty()
          : levels.keySet().stream().filter(AWAY::contains).findFirst();
    }

    FindingKind kind(String fileSource) {
      return new FindingKind(
          id,
          name,
          group == null ? id : group,
          List.copyOf(levels.keySet()),
          leak,
          links == null ? Map.of() : links,
          Map.of(),
          decisive,
          source == null ? fileSource : source);
    }
  }

  /** A file of moves. */
  record File(String source, List<Move> moves) {}

  public Move {
    of = of == null ? Cause.WHOLE_MACHINE : of;
    loads = loads == null ? null : List.copyOf(loads);
    families = listed(families);
    kinds = listed(kinds);
    upTo = upTo == null ? "desktop" : upTo;
    detours = listed(detours);
    needs = listed(needs);
    minutes = listed(minutes);
    risk = risk == null ? 0 : risk;
    rung = rung == null ? 0 : rung;
    presupposes = listed(presupposes);
    onceSeen = onceSeen == null ? Map.of() : Map.copyOf(onceSeen);
    after = after == null ? "" : after;
    whenFailed = whenFailed == null ? "" : whenFailed;
    steps = listed(steps);
    tells = listed(tells);
    findings = listed(findings);
    notes = listed(notes);
  }

  /** One that is made here, and not read from a file. */
  public static MoveBuilder called(String id) {
    return new MoveBuilder(id);
  }

  /** The same in a shop's own words and times. */
  Move with(Edit.MoveWords words) {
    return new MoveBuilder(this)
        .name(words.name())
        .purpose(words.purpose())
        .families(words.families())
        .needs(words.needs())
        .minutes(words.minutes())
        .steps(words.steps())
        .build();
  }

  private static <T> List<T> listed(List<T> list) {
    return list == null ? List.of() : List.copyOf(list);
  }

  /** All that its permission depends on. */
  public Effects effects() {
    return new Effects(invasiveness, loads == null ? Set.of() : Set.copyOf(loads));
  }

  /** The instructions with their timers. */
  public List<Step> guided() {
    return steps.stream().map(Step::of).toList();
  }

  public int handsOnMinutes() {
    return minutes.get(0);
  }

  public int waitingMinutes() {
    return minutes.get(1);
  }

  public boolean isOfWholeMachine() {
    return of.equals(Cause.WHOLE_MACHINE);
  }

  /** Whether it is worth thinking of for these complaints. */
  public boolean fits(Collection<String> complaints) {
    return families.isEmpty()
        || complaints.isEmpty()
        || complaints.stream().anyMatch(families::contains);
  }

  /** Whether it can be made on such a machine; on any whose kind nobody named. */
  public boolean fitsKind(Optional<String> kind) {
    return Cause.isOneOf(kinds, kind);
  }

  /** Ids of every finding that it can give. */
  public List<String> given() {
    return by == null ? tells.stream().map(Outcomes::id).toList() : findings;
  }

  /** Name with the part's own in it. */
  public String named(String part) {
    return name.replace("{part}", part);
  }
}
