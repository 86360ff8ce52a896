package tekmerion.server.account;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.io.Serializable;
import java.time.Clock;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.session.FindByIndexNameSessionRepository;
import org.springframework.session.Session;
import org.springframework.stereotype.Service;
import tekmerion.server.person.Person;

/**
 * Who is signed in at a screen, and who may come back to it with a PIN: those who have signed in
 * there in full since the session began.
 */
@Service
public class Sessions {
  private static final String HERE = "people-here";
  private final SecurityContextRepository contexts;
  private final FindByIndexNameSessionRepository<? extends Session> stored;

  /** When the one who is signed in has to sign in in full again [ms since 1970]. */
  private static final String UNTIL = "signed-in-until";

  /** A working day; then the password is asked for, however busy the screen was. */
  private static final Duration MAX_LENGTH = Duration.ofHours(12);

  private final Clock clock;

  /**
   * Somebody who signed in here in full; their epoch tells whether that still counts.
   *
   * @param until when it does not any more [ms since 1970]
   */
  record Here(long id, long epoch, long until) implements Serializable {
    private static final long serialVersionUID = 1L;
  }

  Sessions(
      SecurityContextRepository contexts,
      FindByIndexNameSessionRepository<? extends Session> stored,
      Clock clock) {
    this.contexts = contexts;
    this.stored = stored;
    this.clock = clock;
  }

  /** After name and password were right. */
  void signedIn(Account account, HttpServletRequest request, HttpServletResponse response) {
    HttpSession session = request.getSession(false);
    List<Here> here = here(session);
    if (session != null) {
      request.changeSessionId(); // a session planted before sign-in must not become a signed-in one
    }
    here.removeIf(h -> h.id() == account.id());
    long until = clock.instant().plus(MAX_LENGTH).toEpochMilli();
    here.add(new Here(account.id(), account.epoch(), until));
    request.getSession().setAttribute(HERE, new ArrayList<>(here));
    become(account, request, response);
  }

  /** After a PIN was right; only for somebody who is {@link #isHere here}. */
  void become(Account account, HttpServletRequest request, HttpServletResponse response) {
    Person person = account.person();
    SecurityContext context = SecurityContextHolder.createEmptyContext();
    context.setAuthentication(
        UsernamePasswordAuthenticationToken.authenticated(
            person, null, List.of(new SimpleGrantedAuthority("ROLE_" + person.role()))));
    SecurityContextHolder.setContext(context);
    contexts.saveContext(context, request, response);
    HttpSession session = request.getSession();
    here(session).stream()
        .filter(h -> h.id() == account.id())
        .forEach(h -> session.setAttribute(UNTIL, h.until()));
  }

  boolean isHere(Account account, HttpServletRequest request) {
    return here(request.getSession(false)).stream()
        .anyMatch(
            h ->
                h.id() == account.id()
                    && h.epoch() == account.epoch()
                    && h.until() > clock.millis());
  }

  /** Whether whoever is signed in with it must sign in in full again. */
  static boolean isOver(Object until, long nowMillis) {
    return !(until instanceof Long moment) || moment <= nowMillis;
  }

  /** Of a session that somebody is signed in with. */
  static Object until(HttpSession session) {
    return session.getAttribute(UNTIL);
  }

  /** Whether a browser's stream may go on: its session is there and its time is not over. */
  public boolean goesOn(String sessionId) {
    Session session = stored.findById(sessionId);
    return session != null
        && !session.isExpired()
        && !isOver(session.getAttribute(UNTIL), clock.millis());
  }

  List<Long> idsHere(HttpServletRequest request) {
    return here(request.getSession(false)).stream().map(Here::id).toList();
  }

  /** Too many wrong PINs: only the password helps now. */
  void noLongerHere(Account account, HttpServletRequest request) {
    HttpSession session = request.getSession(false);
    List<Here> here = here(session);
    here.removeIf(h -> h.id() == account.id());
    if (session != null) {
      session.setAttribute(HERE, new ArrayList<>(here));
    }
  }

  /** On every screen. Those on which somebody else is signed in forget the person by the epoch. */
  void endAll(Account account) {
    stored.findByPrincipalName(account.signInName()).keySet().forEach(stored::deleteById);
  }

  @SuppressWarnings("unchecked") // only set above
  private static List<Here> here(HttpSession session) {
    Object kept = session == null ? null : session.getAttribute(HERE);
    return kept == null ? new ArrayList<>() : new ArrayList<>((List<Here>) kept);
  }
}
