package tekmerion.server.transaction;

import java.sql.SQLException;
import java.sql.SQLNonTransientConnectionException;
import java.sql.SQLRecoverableException;
import java.sql.SQLTransientConnectionException;
import org.hibernate.exception.JDBCConnectionException;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.transaction.CannotCreateTransactionException;

/**
 * Whether something failed because the database went away meanwhile, and not because of what was
 * asked. A connection that breaks says so in many ways, some of which hide what came first: a
 * transaction, say, that cannot be rolled back.
 */
public final class DatabaseGone {
  /** Class 08 of SQLSTATE: connection exceptions (ISO/IEC 9075-2). */
  private static final String CONNECTION = "08";

  private DatabaseGone() {}

  public static boolean isBehind(Throwable failure) {
    for (Throwable t = failure; t != null; t = t.getCause()) {
      if (t instanceof DataAccessResourceFailureException
          || t instanceof CannotCreateTransactionException
          || t instanceof JDBCConnectionException
          // Neither beginning nor ending one depends on what was in it.
          || t instanceof org.hibernate.TransactionException
          || t instanceof SQLException sql && isOfTheConnection(sql)) {
        return true;
      }
    }
    return false;
  }

  private static boolean isOfTheConnection(SQLException e) {
    return e instanceof SQLNonTransientConnectionException
        || e instanceof SQLTransientConnectionException
        || e instanceof SQLRecoverableException
        || String.valueOf(e.getSQLState()).startsWith(CONNECTION)
        // As the pool says it, without a state.
        || "Connection is closed".equals(e.getMessage());
  }
}
