package tekmerion.server.problem;

import static tekmerion.words.Words.say;

import java.sql.SQLException;
import java.util.Set;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.core.NestedExceptionUtils;
import org.springframework.dao.DataAccessException;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.dao.OptimisticLockingFailureException;
import org.springframework.dao.PessimisticLockingFailureException;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.transaction.CannotCreateTransactionException;
import org.springframework.web.HttpMediaTypeNotSupportedException;
import org.springframework.web.HttpRequestMethodNotSupportedException;
import org.springframework.web.bind.MethodArgumentNotValidException;
import org.springframework.web.bind.MissingServletRequestParameterException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.async.AsyncRequestNotUsableException;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;
import org.springframework.web.servlet.resource.NoResourceFoundException;
import tekmerion.server.transaction.DatabaseGone;

/** Turns everything that goes wrong into problem details (RFC 9457) plus "kept" and "toDo". */
@RestControllerAdvice
class Problems {
  private static final Logger LOG = LoggerFactory.getLogger(Problems.class);

  /** MariaDB's ER_DISK_FULL and ER_RECORD_FILE_FULL. */
  private static final Set<Integer> DISK_FULL = Set.of(1021, 1114);

  /** What was kept, for requests that were turned away before they did anything. */
  private static String nothingChanged() {
    return say("problem.nothing-was-changed");
  }

  @ExceptionHandler
  ResponseEntity<ProblemDetail> refusal(Refusal refusal) {
    ProblemDetail problem =
        detail(refusal.status(), refusal.getMessage(), refusal.kept(), refusal.toDo());
    if (refusal.lock() != null) {
      problem.setProperty("lock", refusal.lock());
    }
    return ResponseEntity.status(refusal.status())
        .contentType(MediaType.APPLICATION_PROBLEM_JSON)
        .body(problem);
  }

  @ExceptionHandler(OptimisticLockingFailureException.class)
  ResponseEntity<ProblemDetail> conflict() {
    return answer(
        HttpStatus.CONFLICT,
        say("problem.somebody-else-changed-this-job-at"),
        say("problem.theirs-was-kept-yours-was-not"),
        say("problem.look-at-what-changed-and-do"));
  }

  /** It was tried several times: see {@code DeadlockRetry}. */
  @ExceptionHandler(PessimisticLockingFailureException.class)
  ResponseEntity<ProblemDetail> busy() {
    return answer(
        HttpStatus.SERVICE_UNAVAILABLE,
        say("problem.too-many-are-changing-the-same"),
        nothingChanged(),
        say("problem.try-again-in-a-moment"));
  }

  @ExceptionHandler
  ResponseEntity<ProblemDetail> invalid(MethodArgumentNotValidException e) {
    String fields =
        e.getBindingResult().getFieldErrors().stream()
            .map(error -> "%s %s".formatted(error.getField(), error.getDefaultMessage()))
            .sorted()
            .collect(Collectors.joining("; "));
    return answer(
        HttpStatus.BAD_REQUEST,
        say("problem.something-is-missing-or-too-long", "fields", fields),
        nothingChanged(),
        say("problem.correct-it-and-send-again"));
  }

  @ExceptionHandler({
    HttpMessageNotReadableException.class,
    MethodArgumentTypeMismatchException.class,
    MissingServletRequestParameterException.class,
    HttpMediaTypeNotSupportedException.class
  })
  ResponseEntity<ProblemDetail> unreadable() {
    return answer(
        HttpStatus.BAD_REQUEST,
        say("problem.the-request-could-not-be-read"),
        nothingChanged(),
        say("problem.load-the-page-again-if-it"));
  }

  @ExceptionHandler({NoResourceFoundException.class, HttpRequestMethodNotSupportedException.class})
  ResponseEntity<ProblemDetail> noSuchPlace() {
    return answer(
        HttpStatus.NOT_FOUND,
        say("problem.there-is-nothing-at-this-address"),
        nothingChanged(),
        say("problem.go-to-the-floor"));
  }

  @ExceptionHandler(AccessDeniedException.class)
  ResponseEntity<ProblemDetail> denied() {
    return answer(
        HttpStatus.FORBIDDEN,
        say("problem.your-role-does-not-allow-this"),
        nothingChanged(),
        say("problem.ask-a-lead-to-do-it"));
  }

  @ExceptionHandler({
    DataAccessResourceFailureException.class,
    CannotCreateTransactionException.class
  })
  ResponseEntity<ProblemDetail> databaseDown(Exception e) {
    LOG.error(
        "the database does not answer: {}",
        NestedExceptionUtils.getMostSpecificCause(e).getMessage());
    return ResponseEntity.status(HttpStatus.SERVICE_UNAVAILABLE)
        .contentType(MediaType.APPLICATION_PROBLEM_JSON)
        .body(databaseAway());
  }

  static ProblemDetail databaseAway() {
    return detail(
        HttpStatus.SERVICE_UNAVAILABLE,
        say("problem.the-database-does-not-answer"),
        say("problem.what-was-kept-before-is-safe"),
        say("problem.wait-a-moment-and-try-again"));
  }

  @ExceptionHandler(DataAccessException.class)
  ResponseEntity<ProblemDetail> database(DataAccessException e) {
    return NestedExceptionUtils.getMostSpecificCause(e) instanceof SQLException sql
            && DISK_FULL.contains(sql.getErrorCode())
        ? refusal(Refusal.noRoom())
        : ourMistake(e);
  }

  /** The browser has gone away in mid-stream: nobody is left to tell. */
  @ExceptionHandler(AsyncRequestNotUsableException.class)
  void gone() {}

  @ExceptionHandler(Exception.class)
  ResponseEntity<ProblemDetail> ourMistake(Exception e) {
    if (DatabaseGone.isBehind(e)) {
      return databaseDown(e);
    }
    LOG.error("unexpected", e);
    return answer(
        HttpStatus.INTERNAL_SERVER_ERROR,
        say("problem.the-server-made-a-mistake"),
        say("problem.this-request-was-not-kept-everything"),
        say("problem.try-again-if-it-stays-the"));
  }

  static ResponseEntity<ProblemDetail> answer(
      HttpStatus status, String what, String kept, String toDo) {
    return ResponseEntity.status(status)
        .contentType(MediaType.APPLICATION_PROBLEM_JSON)
        .body(detail(status, what, kept, toDo));
  }

  static ProblemDetail detail(HttpStatus status, String what, String kept, String toDo) {
    ProblemDetail problem = ProblemDetail.forStatusAndDetail(status, what);
    problem.setProperty("kept", kept);
    problem.setProperty("toDo", toDo);
    return problem;
  }
}
