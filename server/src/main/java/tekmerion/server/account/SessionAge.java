package tekmerion.server.account;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.io.IOException;
import java.time.Clock;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.filter.OncePerRequestFilter;
import tekmerion.server.person.Person;

/** Ends a session whose time is over, however much it is used. */
final class SessionAge extends OncePerRequestFilter {
  private final Clock clock;

  SessionAge(Clock clock) {
    this.clock = clock;
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    HttpSession session = request.getSession(false);
    if (session != null
        && isSignedIn()
        && Sessions.isOver(Sessions.until(session), clock.millis())) {
      session.invalidate();
      SecurityContextHolder.clearContext();
    }
    chain.doFilter(request, response);
  }

  private static boolean isSignedIn() {
    Authentication who = SecurityContextHolder.getContext().getAuthentication();
    return who != null && who.getPrincipal() instanceof Person;
  }
}
