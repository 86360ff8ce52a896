package tekmerion.server.transaction;

import static org.assertj.core.api.Assertions.assertThat;

import java.sql.SQLException;
import java.sql.SQLNonTransientConnectionException;
import java.sql.SQLTransientConnectionException;
import java.util.stream.Stream;
import org.hibernate.TransactionException;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.orm.jpa.JpaSystemException;
import org.springframework.transaction.CannotCreateTransactionException;

/** What an event failed by decides whether it comes again or is laid aside for good. */
class DatabaseGoneTest {
  /**
   * The first is what the server said when its database was killed in the middle of an event: the
   * reading in it was laid aside as one that cannot be used.
   */
  static Stream<Throwable> ofTheDatabase() {
    return Stream.of(
        new JpaSystemException(
            new TransactionException(
                "Unable to rollback against JDBC Connection",
                new SQLException("Connection is closed"))),
        new JpaSystemException(new RuntimeException(new SQLException("Socket error", "08000"))),
        new IllegalStateException(new SQLNonTransientConnectionException("gone")),
        new IllegalStateException(new SQLTransientConnectionException("none free")),
        new DataAccessResourceFailureException("refused"),
        new CannotCreateTransactionException("none"));
  }

  static Stream<Throwable> ofWhatWasSent() {
    return Stream.of(
        new DataIntegrityViolationException("long", new SQLException("Data too long", "22001")),
        new DuplicateKeyException("twice", new SQLException("Duplicate entry", "23000")),
        new JpaSystemException(
            new RuntimeException(new SQLException("Incorrect string value", "HY000"))),
        new IllegalArgumentException("no finding x"),
        new NullPointerException());
  }

  @ParameterizedTest
  @MethodSource("ofTheDatabase")
  void comesAgain(Throwable failure) {
    assertThat(DatabaseGone.isBehind(failure)).isTrue();
  }

  @ParameterizedTest
  @MethodSource("ofWhatWasSent")
  void isLaidAside(Throwable failure) {
    assertThat(DatabaseGone.isBehind(failure)).isFalse();
  }
}
