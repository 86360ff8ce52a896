package tekmerion.server.problem;

import java.sql.SQLException;
import java.sql.SQLNonTransientConnectionException;
import org.springframework.boot.diagnostics.AbstractFailureAnalyzer;
import org.springframework.boot.diagnostics.FailureAnalysis;
import org.springframework.core.env.Environment;

/** Says in plain words that the database cannot be reached at start, instead of a stack trace. */
class DatabaseDownAnalyzer extends AbstractFailureAnalyzer<SQLException> {
  private static final int ACCESS_DENIED = 1045;
  private final Environment environment;

  DatabaseDownAnalyzer(Environment environment) {
    this.environment = environment;
  }

  @Override
  protected FailureAnalysis analyze(Throwable root, SQLException cause) {
    String url = environment.getProperty("spring.datasource.url");
    if (cause.getErrorCode() == ACCESS_DENIED) {
      return new FailureAnalysis(
          "The database at %s is there but does not accept our user. Nothing was changed."
              .formatted(url),
          "Check TEKMERION_DB_USER, TEKMERION_DB_PASSWORD, TEKMERION_DB_OWNER and TEKMERION_DB_OWNER_PASSWORD.",
          cause);
    }
    boolean unreachable =
        cause instanceof SQLNonTransientConnectionException
            || String.valueOf(cause.getSQLState()).startsWith("08");
    if (!unreachable) {
      return null;
    }
    return new FailureAnalysis(
        "The database at %s does not answer. Nothing was changed; what is in it is safe."
            .formatted(url),
        "Start MariaDB, or set TEKMERION_DB_URL to where it runs, then start the server again. './tekmerion demo' starts a database of its own.",
        cause);
  }
}
