package tekmerion.server.problem;

import static tekmerion.words.Words.say;

import org.springframework.http.HttpStatus;
import tekmerion.core.permit.Lock;
import tekmerion.core.permit.Permission;

/** A request that is refused for a reason the person can do something about. */
public final class Refusal extends RuntimeException {
  private static final long serialVersionUID = 1L;
  private final HttpStatus status;
  private final String kept;
  private final String toDo;

  /** Which rule of core locks it; null if none of them does. */
  private Lock lock;

  private Refusal(HttpStatus status, String what, String kept, String toDo) {
    super(what);
    this.status = status;
    this.kept = kept;
    this.toDo = toDo;
  }

  public static Refusal badRequest(String what, String toDo) {
    return new Refusal(HttpStatus.BAD_REQUEST, what, say("problem.nothing-was-changed"), toDo);
  }

  public static Refusal notFound(String what) {
    return new Refusal(
        HttpStatus.NOT_FOUND,
        what,
        say("problem.nothing-was-changed"),
        say("problem.check-the-number-or-go-to"));
  }

  /** What was there and is over. */
  public static Refusal gone(String what, String toDo) {
    return new Refusal(HttpStatus.GONE, what, say("problem.nothing-was-changed"), toDo);
  }

  /** Locked by a gate. */
  public static Refusal locked(String reason, String opens) {
    return new Refusal(
        HttpStatus.LOCKED, reason, say("problem.nothing-was-signed-or-changed"), opens);
  }

  /** Locked by core; the rule's name travels with it. */
  public static Refusal locked(Permission.Locked locked) {
    Refusal refusal = locked(locked.reason(), locked.opens());
    refusal.lock = locked.lock();
    return refusal;
  }

  /** Someone else was faster. */
  public static Refusal conflict(String what, String toDo) {
    return new Refusal(
        HttpStatus.CONFLICT, what, say("problem.theirs-was-kept-yours-was-not"), toDo);
  }

  public static Refusal forbidden(String what, String toDo) {
    return new Refusal(HttpStatus.FORBIDDEN, what, say("problem.nothing-was-changed"), toDo);
  }

  public static Refusal wrongSecret(String what, String toDo) {
    return new Refusal(HttpStatus.UNAUTHORIZED, what, say("problem.nothing-was-changed"), toDo);
  }

  public static Refusal tooMany(String what, String toDo) {
    return new Refusal(
        HttpStatus.TOO_MANY_REQUESTS, what, say("problem.nothing-was-changed"), toDo);
  }

  public static Refusal notPossibleNow(String what, String toDo) {
    return new Refusal(HttpStatus.CONFLICT, what, say("problem.nothing-was-changed"), toDo);
  }

  /**
   * What was typed is counted, so something did change.
   *
   * @param kept what became of the machine that knocks
   */
  public static Refusal wrongDigits(String what, String kept, String toDo) {
    return new Refusal(HttpStatus.CONFLICT, what, kept, toDo);
  }

  public static Refusal noRoom() {
    return new Refusal(
        HttpStatus.INSUFFICIENT_STORAGE,
        say("problem.the-servers-disk-is-full"),
        say("problem.what-was-kept-before-is-safe"),
        say("problem.make-room-on-the-servers-disk"));
  }

  public HttpStatus status() {
    return status;
  }

  public Lock lock() {
    return lock;
  }

  public String kept() {
    return kept;
  }

  public String toDo() {
    return toDo;
  }
}
