package tekmerion.core.replace;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;

/**
 * Whether readings show that another part sits in a machine since one was replaced. What somebody
 * says does not count: a part is known again by what it tells of itself.
 *
 * @param now the part that came; empty if none did
 * @param before the part that left; if none did, the one that still sits there
 */
public record Fitted<P>(Recognised state, Optional<P> now, Optional<P> before) {
  /** What the readings show. */
  public enum Recognised {
    /** Nothing was read since. */
    NOT_READ,
    /** It was read since, and the old one still answers. */
    STILL_THE_OLD_ONE,
    ANOTHER_ONE,
    /** One answers, and none had been read before: it may be the old one. */
    CANNOT_TELL
  }

  /**
   * That a part sat in a place.
   *
   * @param until empty if it is still there
   */
  public record Sat<P>(P part, Instant since, Optional<Instant> until) {}

  /**
   * @param begun when somebody began to replace it
   * @param sat parts of that sort in that machine, in any order
   * @param lastRead when parts of that sort were last read; empty if never
   */
  public static <P> Fitted<P> of(Instant begun, List<Sat<P>> sat, Optional<Instant> lastRead) {
    Optional<P> came = first(sat, s -> !s.since().isBefore(begun) && s.until().isEmpty());
    Optional<P> left =
        first(
            sat,
            s ->
                s.since().isBefore(begun)
                    && s.until().filter(until -> !until.isBefore(begun)).isPresent());
    boolean known =
        sat.stream()
            .anyMatch(
                s ->
                    s.since().isBefore(begun)
                        && s.until().filter(until -> until.isBefore(begun)).isEmpty());
    if (came.isPresent()) {
      return new Fitted<>(known ? Recognised.ANOTHER_ONE : Recognised.CANNOT_TELL, came, left);
    }
    Optional<P> still = first(sat, s -> s.since().isBefore(begun) && s.until().isEmpty());
    boolean read = lastRead.filter(at -> at.isAfter(begun)).isPresent();
    return new Fitted<>(
        read && still.isPresent() ? Recognised.STILL_THE_OLD_ONE : Recognised.NOT_READ,
        Optional.empty(),
        left.or(() -> still));
  }

  private static <P> Optional<P> first(List<Sat<P>> sat, Predicate<Sat<P>> which) {
    return sat.stream().filter(which).map(Sat::part).findFirst();
  }
}
