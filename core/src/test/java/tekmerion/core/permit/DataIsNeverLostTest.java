package tekmerion.core.permit;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Random;
import java.util.stream.LongStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * Whatever people, imports and probes do, in whatever order: nothing that an owner wants is gone
 * unless the owner signed for it. Random steps, among them drives that change places, drives that
 * come late, the same drive in two jobs, copies that lose something, forged archives, signatures of
 * others, probes that stand still and go on. The truth is kept by {@link World}, which knows no
 * rule.
 *
 * <p>What a server would keep, and what happens next, is {@link AnyShop}'s.
 */
class DataIsNeverLostTest {
  private static final int WORLDS = 250;
  private static final int STEPS = 1_000;

  static Stream<Long> worlds() {
    int worlds = Integer.getInteger("tekmerion.worlds", WORLDS);
    return LongStream.rangeClosed(1, worlds).boxed();
  }

  @ParameterizedTest(name = "world {0}")
  @MethodSource("worlds")
  void nothingWantedIsLostWithoutItsOwnersSignature(long seed) {
    AnyShop shop = new AnyShop(new Random(seed));
    for (int step = 0; step < STEPS; step++) {
      String done = shop.step();
      assertThat(shop.world.lost()).as("world %d, step %d: %s", seed, step, done).isEmpty();
      if (step % 100 == 0) {
        shop.world.forget();
      }
    }
    erased += shop.probes.erased();
    refused += shop.refused();
  }

  private static long erased;
  private static long refused;

  /** Else nothing would have been shown: drives were erased, and erasing was refused. */
  @AfterAll
  static void somethingHappened() {
    long worlds = worlds().count();
    assertThat(erased).isGreaterThan(4 * worlds);
    assertThat(refused).isGreaterThan(40 * worlds);
  }
}
