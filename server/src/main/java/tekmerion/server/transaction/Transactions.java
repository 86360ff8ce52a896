package tekmerion.server.transaction;

import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.TransactionDefinition;
import org.springframework.transaction.support.TransactionCallback;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Transactions whose beginning and end the code says itself; the only template there is. One that
 * lost to another is done again, so what is in it must change nothing but the database.
 */
@Component
public class Transactions extends TransactionTemplate {
  private static final long serialVersionUID = 1L;

  public Transactions(PlatformTransactionManager manager) {
    super(manager);
  }

  /** Those that are kept whatever becomes of the one around them. */
  public static Transactions ofTheirOwn(PlatformTransactionManager manager) {
    Transactions own = new Transactions(manager);
    own.setPropagationBehavior(TransactionDefinition.PROPAGATION_REQUIRES_NEW);
    return own;
  }

  @Override
  public <T> T execute(TransactionCallback<T> action) {
    boolean isPart =
        getPropagationBehavior() != TransactionDefinition.PROPAGATION_REQUIRES_NEW
            && TransactionSynchronizationManager.isActualTransactionActive();
    return isPart
        ? super.execute(action) // only whoever began it can begin it anew
        : DoneAgain.done(() -> super.execute(action));
  }
}
