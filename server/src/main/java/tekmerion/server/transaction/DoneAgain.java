package tekmerion.server.transaction;

import jakarta.persistence.PersistenceException;
import java.util.concurrent.ThreadLocalRandom;
import org.springframework.dao.DataAccessException;
import org.springframework.dao.PessimisticLockingFailureException;
import org.springframework.orm.jpa.EntityManagerFactoryUtils;

/**
 * MariaDB ends one of two transactions that wait for each other, and asks to have it done again
 * (its error 1213). So it is, from the beginning, by whoever began it: nobody need see it.
 */
final class DoneAgain {
  private static final int TRIES = 8;

  /** Waited before the second try, at most [ms]; twice that before the third, and so on. */
  private static final int PAUSE_MS = 20;

  /** A whole transaction. */
  interface Work<T, E extends Throwable> {
    T run() throws E;
  }

  private DoneAgain() {}

  /**
   * @throws PessimisticLockingFailureException if it was in the way of others each time
   */
  static <T, E extends Throwable> T done(Work<T, E> whole) throws E {
    for (int i = 1; ; i++) {
      RuntimeException why;
      try {
        return whole.run();
      } catch (PessimisticLockingFailureException e) {
        why = e;
      } catch (PersistenceException e) {
        // As Hibernate says it to whoever asks it without a repository between.
        DataAccessException same = EntityManagerFactoryUtils.convertJpaAccessExceptionIfPossible(e);
        why = same == null ? e : same;
      }
      if (!(why instanceof PessimisticLockingFailureException) || i == TRIES || !paused(i)) {
        throw why;
      }
    }
  }

  /** By chance, so that the two do not meet again. */
  private static boolean paused(int tries) {
    try {
      Thread.sleep(ThreadLocalRandom.current().nextInt(1, PAUSE_MS * tries + 1));
      return true;
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      return false;
    }
  }
}
