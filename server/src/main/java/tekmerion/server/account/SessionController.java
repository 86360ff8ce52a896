package tekmerion.server.account;

import io.swagger.v3.oas.annotations.Parameter;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.security.web.csrf.CsrfToken;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tekmerion.server.problem.Refusal;

/** Signing in and out. */
@RestController
@RequestMapping("/api/session")
class SessionController {
  private final Accounts accounts;
  private final Attempts attempts;
  private final PasswordEncoder encoder;
  private final SecurityContextRepository contexts;

  /** Compared with when there is no such name, so that both cases take as long; of no password. */
  private static final String NOBODYS_HASH =
      "$2a$12$HHHHHHHHHHHHHHHHHHHHH.HHHHHHHHHHHHHHHHHHHHHHHHHHHHHHH";

  record SignIn(
      @NotBlank @Size(max = 60) String name, @NotBlank @Size(max = 200) String password) {}

  /**
   * @param person null if nobody is signed in
   */
  record Session(@Schema(nullable = true) PersonView person) {}

  record PersonView(String displayName, Role role) {}

  SessionController(
      Accounts accounts,
      Attempts attempts,
      PasswordEncoder encoder,
      SecurityContextRepository contexts) {
    this.accounts = accounts;
    this.attempts = attempts;
    this.encoder = encoder;
    this.contexts = contexts;
  }

  /** Also hands out the CSRF cookie: reading the token is what makes the filter set it. */
  @GetMapping
  Session current(
      @AuthenticationPrincipal Person person, @Parameter(hidden = true) CsrfToken csrf) {
    csrf.getToken();
    return session(person);
  }

  @PostMapping
  Session signIn(
      @Valid @RequestBody SignIn signIn, HttpServletRequest request, HttpServletResponse response) {
    String name = signIn.name().strip().toLowerCase(Locale.ROOT);
    String source = name + "@" + request.getRemoteAddr();
    attempts.check(Attempts.Kind.SIGN_IN, source);
    Optional<Account> account = accounts.findBySignInName(name);
    String hash = account.map(Account::passwordHash).orElse(NOBODYS_HASH);
    if (!encoder.matches(signIn.password(), hash) || account.isEmpty()) {
      attempts.failed(Attempts.Kind.SIGN_IN, source);
      throw Refusal.wrongSecret(
          "Name and password do not go together.",
          "Check both and try again; a lead can set a new password.");
    }
    Person person = account.get().person();
    if (request.getSession(false) != null) {
      request.changeSessionId(); // a session planted before sign-in must not become a signed-in one
    }
    SecurityContext context = SecurityContextHolder.createEmptyContext();
    context.setAuthentication(
        UsernamePasswordAuthenticationToken.authenticated(
            person, null, List.of(new SimpleGrantedAuthority("ROLE_" + person.role()))));
    SecurityContextHolder.setContext(context);
    contexts.saveContext(context, request, response);
    return session(person);
  }

  @DeleteMapping
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void signOut(HttpServletRequest request) {
    HttpSession session = request.getSession(false);
    if (session != null) {
      session.invalidate();
    }
    SecurityContextHolder.clearContext();
  }

  private static Session session(Person person) {
    return new Session(person == null ? null : new PersonView(person.displayName(), person.role()));
  }
}
