package tekmerion.core.replace;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import tekmerion.core.replace.Fitted.Recognised;
import tekmerion.core.replace.Fitted.Sat;
import tekmerion.core.replace.Supply.Happened;

/** A part on its way into a machine, and whether readings show that it is in. */
class ReplacingTest {
  private static final Instant BEFORE = Instant.parse("2026-11-30T09:00:00Z");
  private static final Instant BEGUN = Instant.parse("2026-11-30T10:00:00Z");
  private static final Instant AFTER = Instant.parse("2026-11-30T10:20:00Z");
  private static final Sat<String> OLD = new Sat<>("old", BEFORE, Optional.empty());
  private static final Sat<String> OLD_LEFT = new Sat<>("old", BEFORE, Optional.of(AFTER));
  private static final Sat<String> NEW = new Sat<>("new", AFTER, Optional.empty());

  @Test
  void whatWasNotReadSinceTellsNothing() {
    assertThat(Fitted.of(BEGUN, List.of(OLD), Optional.of(BEFORE)))
        .isEqualTo(new Fitted<>(Recognised.NOT_READ, Optional.empty(), Optional.of("old")));
    assertThat(Fitted.of(BEGUN, List.<Sat<String>>of(), Optional.empty()))
        .isEqualTo(new Fitted<>(Recognised.NOT_READ, Optional.empty(), Optional.empty()));
  }

  @Test
  void theOldOneIsKnownAgain() {
    assertThat(Fitted.of(BEGUN, List.of(OLD), Optional.of(AFTER)))
        .isEqualTo(
            new Fitted<>(Recognised.STILL_THE_OLD_ONE, Optional.empty(), Optional.of("old")));
  }

  @Test
  void anotherOneIsSeenAndWhichOneLeft() {
    assertThat(Fitted.of(BEGUN, List.of(OLD_LEFT, NEW), Optional.of(AFTER)))
        .isEqualTo(new Fitted<>(Recognised.ANOTHER_ONE, Optional.of("new"), Optional.of("old")));
    // One more beside the old one, as a module is.
    assertThat(Fitted.of(BEGUN, List.of(OLD, NEW), Optional.of(AFTER)))
        .isEqualTo(new Fitted<>(Recognised.ANOTHER_ONE, Optional.of("new"), Optional.empty()));
  }

  /** The first that was ever read there may be the very one that was to be replaced. */
  @Test
  void whatWasNeverReadBeforeIsNotKnownToBeAnother() {
    assertThat(Fitted.of(BEGUN, List.of(NEW), Optional.of(AFTER)))
        .isEqualTo(new Fitted<>(Recognised.CANNOT_TELL, Optional.of("new"), Optional.empty()));
  }

  /** One that was exchanged long before is not the one that this step took out. */
  @Test
  void whatLeftBeforeDoesNotCount() {
    Sat<String> earlier =
        new Sat<>("earlier", BEFORE.minusSeconds(99), Optional.of(BEGUN.minusSeconds(1)));
    assertThat(Fitted.of(BEGUN, List.of(earlier, OLD_LEFT, NEW), Optional.of(AFTER)).before())
        .contains("old");
  }

  @Test
  void aPartIsOrderedOrTakenOnceAndComesOnce() {
    assertThat(Supply.NEEDED.after(Happened.ORDERED)).contains(Supply.ORDERED);
    assertThat(Supply.ORDERED.after(Happened.CAME)).contains(Supply.HERE);
    assertThat(Supply.ORDERED.after(Happened.CALLED_OFF)).contains(Supply.NEEDED);
    assertThat(Supply.NEEDED.after(Happened.TAKEN_FROM_STOCK)).contains(Supply.HERE);
    assertThat(Supply.HERE.after(Happened.PUT_BACK)).contains(Supply.NEEDED);
    assertThat(Supply.HERE.after(Happened.ORDERED)).isEmpty();
    assertThat(Supply.ORDERED.after(Happened.TAKEN_FROM_STOCK)).isEmpty();
    assertThat(Supply.NEEDED.after(Happened.CAME)).isEmpty();
  }
}
