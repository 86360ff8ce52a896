package tekmerion.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import jakarta.persistence.EntityManager;
import java.util.List;
import java.util.concurrent.CyclicBarrier;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Consumer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.dao.PessimisticLockingFailureException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import tekmerion.server.transaction.Transactions;

/** Two transactions that wait for each other: the database ends one, and it is done again. */
@ExtendWith(RunningServer.class)
class DeadlocksTest {
  private static final String COUNT =
      "UPDATE attempt_count SET tries = tries + 1 WHERE kind = 'TEST' AND source = ?";

  private final AtomicInteger begun = new AtomicInteger();
  private final CyclicBarrier bothHoldOne = new CyclicBarrier(2);

  @Test
  void bothAreDone(RunningServer.Shop shop) throws Exception {
    inTheWayOfEachOther(shop, shop.bean(Transactions.class), jdbc(shop));

    assertThat(begun).hasValue(3);
    assertThat(shop.count("SELECT MIN(tries) FROM attempt_count WHERE kind = 'TEST'")).isEqualTo(2);
  }

  /** Hibernate says it in other words than the database's driver. */
  @Test
  void bothAreDoneByHibernateToo(RunningServer.Shop shop) throws Exception {
    EntityManager entities = shop.bean(EntityManager.class);
    inTheWayOfEachOther(
        shop,
        shop.bean(Transactions.class),
        source -> entities.createNativeQuery(COUNT).setParameter(1, source).executeUpdate());

    assertThat(begun).hasValue(3);
    assertThat(shop.count("SELECT MIN(tries) FROM attempt_count WHERE kind = 'TEST'")).isEqualTo(2);
  }

  /** What would happen otherwise, so that the test above tests something. */
  @Test
  void withoutThatOneIsLost(RunningServer.Shop shop) {
    TransactionTemplate plain =
        new TransactionTemplate(shop.bean(PlatformTransactionManager.class));

    assertThatThrownBy(() -> inTheWayOfEachOther(shop, plain, jdbc(shop)))
        .hasCauseInstanceOf(PessimisticLockingFailureException.class);
  }

  private static Consumer<String> jdbc(RunningServer.Shop shop) {
    JdbcClient jdbc = shop.bean(JdbcClient.class);
    return source -> jdbc.sql(COUNT).param(source).update();
  }

  private void inTheWayOfEachOther(
      RunningServer.Shop shop, TransactionTemplate transaction, Consumer<String> count)
      throws Exception {
    for (String source : List.of("one", "two")) {
      shop.bean(JdbcClient.class)
          .sql(
              "REPLACE INTO attempt_count (kind, source, tries, since) VALUES ('TEST', ?, 0, NOW(6))")
          .param(source)
          .update();
    }
    ExecutorService two = Executors.newFixedThreadPool(2);
    try {
      Future<?> first = two.submit(() -> change(transaction, count, "one", "two"));
      Future<?> second = two.submit(() -> change(transaction, count, "two", "one"));
      first.get(60, TimeUnit.SECONDS);
      second.get(60, TimeUnit.SECONDS);
    } finally {
      two.shutdownNow();
    }
  }

  private void change(
      TransactionTemplate transaction, Consumer<String> count, String first, String then) {
    transaction.executeWithoutResult(
        status -> {
          boolean meets = begun.incrementAndGet() <= 2;
          count.accept(first);
          if (meets) {
            await();
          }
          count.accept(then);
        });
  }

  private void await() {
    try {
      bothHoldOne.await(60, TimeUnit.SECONDS);
    } catch (Exception e) {
      throw new IllegalStateException("the other did not come so far", e);
    }
  }
}
