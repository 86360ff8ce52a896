package tekmerion.server.account;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.io.Serializable;
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

/**
 * Who is signed in at a screen, and who may come back to it with a PIN: those who have signed in
 * there in full since the session began.
 */
@Service
class Sessions {
  private static final String HERE = "people-here";
  private final SecurityContextRepository contexts;
  private final FindByIndexNameSessionRepository<? extends Session> stored;

  /** Somebody who signed in here in full; their epoch tells whether that still counts. */
  record Here(long id, long epoch) implements Serializable {
    private static final long serialVersionUID = 1L;
  }

  Sessions(
      SecurityContextRepository contexts,
      FindByIndexNameSessionRepository<? extends Session> stored) {
    this.contexts = contexts;
    this.stored = stored;
  }

  /** After name and password were right. */
  void signedIn(Account account, HttpServletRequest request, HttpServletResponse response) {
    HttpSession session = request.getSession(false);
    List<Here> here = here(session);
    if (session != null) {
      request.changeSessionId(); // a session planted before sign-in must not become a signed-in one
    }
    here.removeIf(h -> h.id() == account.id());
    here.add(new Here(account.id(), account.epoch()));
    become(account, request, response);
    request.getSession().setAttribute(HERE, new ArrayList<>(here));
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
  }

  boolean isHere(Account account, HttpServletRequest request) {
    return here(request.getSession(false)).contains(new Here(account.id(), account.epoch()));
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
