package tekmerion.server.account;

import static tekmerion.words.Words.say;

import io.swagger.v3.oas.annotations.Parameter;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.csrf.CsrfToken;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tekmerion.server.audit.Audit;
import tekmerion.server.person.Person;
import tekmerion.server.person.Role;
import tekmerion.server.problem.Refusal;
import tekmerion.server.web.ClientAddress;
import tekmerion.words.Language;

/** Signing in and out. */
@RestController
@RequestMapping("/api/session")
class SessionController {
  private final Accounts accounts;
  private final Attempts attempts;
  private final PasswordEncoder encoder;
  private final Sessions sessions;
  private final Audit audit;
  private final ClientAddress addresses;
  private final Clock clock;
  private final boolean demo;

  /** Compared with when there is no such name, so that both cases take as long; of no password. */
  private static final String NOBODYS_HASH =
      "$2a$12$HHHHHHHHHHHHHHHHHHHHH.HHHHHHHHHHHHHHHHHHHHHHHHHHHHHHH";

  record SignIn(
      @NotBlank @Size(max = 60) String name, @NotBlank @Size(max = 200) String password) {}

  /**
   * @param person null if nobody is signed in
   * @param here who else may come back with a PIN
   * @param demo whether the shop is made up, and its machines may be simulated
   * @param now what the shop's clock shows
   */
  record Session(
      @Schema(nullable = true) PersonView person, List<Here> here, boolean demo, Instant now) {}

  /**
   * @param language that they chose; null until then
   */
  record PersonView(
      long id,
      String displayName,
      Role role,
      boolean hasPin,
      @Schema(nullable = true) Language language) {}

  /** Somebody else who signed in at this screen in full. */
  @Schema(name = "PersonHere")
  record Here(long id, String displayName, boolean hasPin) {}

  record PinTyped(long person, @NotBlank @Pattern(regexp = "\\d{4,8}") String pin) {}

  SessionController(
      Accounts accounts,
      Attempts attempts,
      PasswordEncoder encoder,
      Sessions sessions,
      Audit audit,
      ClientAddress addresses,
      Clock clock,
      @Value("${tekmerion.demo:false}") boolean demo) {
    this.clock = clock;
    this.demo = demo;
    this.audit = audit;
    this.addresses = addresses;
    this.accounts = accounts;
    this.attempts = attempts;
    this.encoder = encoder;
    this.sessions = sessions;
  }

  /** Also hands out the CSRF cookie: reading the token is what makes the filter set it. */
  @GetMapping
  Session current(
      @AuthenticationPrincipal Person person,
      @Parameter(hidden = true) CsrfToken csrf,
      HttpServletRequest request) {
    csrf.getToken();
    return session(person, request);
  }

  @PostMapping
  Session signIn(
      @Valid @RequestBody SignIn signIn, HttpServletRequest request, HttpServletResponse response) {
    String name = signIn.name().strip().toLowerCase(Locale.ROOT);
    String from = addresses.of(request);
    String source = name + "@" + from;
    attempts.count(Attempts.Kind.SIGN_IN_FROM, from);
    attempts.count(Attempts.Kind.SIGN_IN_OF_NAME, name);
    attempts.count(Attempts.Kind.SIGN_IN, source);
    Optional<Account> account = accounts.findBySignInName(name).filter(Account::isActive);
    String hash = account.map(Account::passwordHash).orElse(NOBODYS_HASH);
    if (!encoder.matches(signIn.password(), hash) || account.isEmpty()) {
      audit.ofStranger(Audit.Kind.SIGN_IN_FAILED, name, from);
      throw Refusal.wrongSecret(
          say("account.name-and-password-do-not-go"), say("account.check-both-and-try-again-a"));
    }
    attempts.right(Attempts.Kind.SIGN_IN, source);
    attempts.right(Attempts.Kind.SIGN_IN_OF_NAME, name);
    attempts.takeBack(Attempts.Kind.SIGN_IN_FROM, from);
    audit.of(Audit.Kind.SIGNED_IN, account.get().person(), "", "from " + from);
    sessions.signedIn(account.get(), request, response);
    return session(account.get().person(), request);
  }

  /** Another of those who have signed in at this screen in full comes back to it with a PIN. */
  @PostMapping("/pin")
  Session switchTo(
      @Valid @RequestBody PinTyped typed,
      @AuthenticationPrincipal Person present,
      HttpServletRequest request,
      HttpServletResponse response) {
    if (present == null) {
      throw Refusal.wrongSecret(
          say("account.nobody-is-signed-in-here"), say("account.sign-in-with-name-and-password"));
    }
    Account account = accounts.findById(typed.person()).filter(Account::isActive).orElse(null);
    if (account == null || account.pinHash() == null || !sessions.isHere(account, request)) {
      throw Refusal.wrongSecret(
          say("account.that-person-has-not-signed-in"),
          say("account.sign-in-with-name-and-password-2"));
    }
    String source = account.signInName() + "@" + request.getSession().getId();
    try {
      attempts.count(Attempts.Kind.PIN, source);
    } catch (Refusal tooMany) {
      sessions.noLongerHere(account, request);
      throw tooMany;
    }
    if (!encoder.matches(typed.pin(), account.pinHash())) {
      audit.ofStranger(Audit.Kind.SIGN_IN_FAILED, account.signInName(), "PIN");
      throw Refusal.wrongSecret(
          say("account.the-pin-is-wrong"), say("account.try-again-or-sign-in-in"));
    }
    attempts.right(Attempts.Kind.PIN, source);
    audit.of(Audit.Kind.SIGNED_IN, account.person(), "", "by PIN");
    sessions.become(account, request, response);
    return session(account.person(), request);
  }

  @DeleteMapping
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void signOut(
      @AuthenticationPrincipal Person person,
      HttpServletRequest request,
      HttpServletResponse response) {
    response.setHeader("Clear-Site-Data", "\"cache\""); // photos that the browser still has
    if (person != null) {
      audit.of(Audit.Kind.SIGNED_OUT, person, "", "");
    }
    HttpSession session = request.getSession(false);
    if (session != null) {
      session.invalidate();
    }
    SecurityContextHolder.clearContext();
  }

  private Session session(Person person, HttpServletRequest request) {
    if (person == null) {
      return new Session(null, List.of(), demo, clock.instant());
    }
    List<Here> here =
        accounts.findAllById(sessions.idsHere(request)).stream()
            .filter(a -> a.id() != person.id() && a.isActive() && sessions.isHere(a, request))
            .map(a -> new Here(a.id(), a.displayName(), a.pinHash() != null))
            .toList();
    Optional<Account> account = accounts.findById(person.id());
    boolean hasPin = account.map(a -> a.pinHash() != null).orElse(false);
    Language language = account.map(Account::language).orElse(null);
    return new Session(
        new PersonView(person.id(), person.displayName(), person.role(), hasPin, language),
        here,
        demo,
        clock.instant());
  }
}
