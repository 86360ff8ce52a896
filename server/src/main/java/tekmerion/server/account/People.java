package tekmerion.server.account;

import static tekmerion.words.Words.say;

import com.nulabinc.zxcvbn.Zxcvbn;
import io.swagger.v3.oas.annotations.media.Schema;
import java.nio.charset.StandardCharsets;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.server.audit.Audit;
import tekmerion.server.person.Person;
import tekmerion.server.person.Role;
import tekmerion.server.problem.Refusal;
import tekmerion.words.Language;

/** The people of the shop: invited by a lead, they choose name, password and PIN themselves. */
@Service
class People {
  private static final Duration INVITATION_LIVES = Duration.ofDays(7);
  private static final int MIN_PASSWORD = 10;

  /** bcrypt looks at no more. */
  private static final int MAX_PASSWORD_BYTES = 72;

  /** Ten thousand times what the limit on tries allows in a year. */
  private static final double MIN_GUESSES_LOG10 = 9;

  private static final Zxcvbn STRENGTH = new Zxcvbn();
  private final Accounts accounts;
  private final Sessions sessions;
  private final Attempts attempts;
  private final PasswordEncoder encoder;
  private final Audit audit;
  private final JdbcClient jdbc;
  private final Clock clock;

  @Schema(name = "Colleague")
  record Member(long id, String displayName, String signInName, Role role, boolean active) {}

  record Invited(String code, Instant expiresAt) {}

  private record Invitation(long id, String displayName, Role role, Long account) {}

  People(
      Accounts accounts,
      Sessions sessions,
      Attempts attempts,
      PasswordEncoder encoder,
      Audit audit,
      JdbcClient jdbc,
      Clock clock) {
    this.accounts = accounts;
    this.sessions = sessions;
    this.attempts = attempts;
    this.encoder = encoder;
    this.audit = audit;
    this.jdbc = jdbc;
    this.clock = clock;
  }

  @Transactional(readOnly = true)
  List<Member> all() {
    return accounts.findAllByOrderByDisplayName().stream()
        .map(a -> new Member(a.id(), a.displayName(), a.signInName(), a.role(), a.isActive()))
        .toList();
  }

  @Transactional
  Invited invite(String displayName, Role role, Person by) {
    by.must(Role.LEAD);
    return invitation(displayName.strip(), role, null, by);
  }

  /** A way in for somebody who forgot the password; their sessions end when they use it. */
  @Transactional
  Invited newPassword(long id, Person by) {
    by.must(Role.LEAD);
    Account account = account(id);
    return invitation(account.displayName(), account.role(), account.id(), by);
  }

  private Invited invitation(String displayName, Role role, Long account, Person by) {
    String code = Secrets.newCode();
    Instant expires = clock.instant().plus(INVITATION_LIVES);
    jdbc.sql(
            "INSERT INTO invitation (code_hash, display_name, role, account_id, created_by, expires_at)"
                + " VALUES (?, ?, ?, ?, ?, ?)")
        .params(
            Secrets.hashOfCode(code),
            displayName,
            role.name(),
            account,
            by.id(),
            Timestamp.from(expires))
        .update();
    audit.of(Audit.Kind.INVITED, by, displayName, "as " + role);
    return new Invited(code, expires);
  }

  /**
   * @param signInName chosen by the person; of no meaning if the invitation is for a new password
   * @param source where the request comes from, for limiting guesses
   */
  @Transactional(noRollbackFor = Refusal.class)
  Account accept(String code, String signInName, String password, String source) {
    attempts.count(Attempts.Kind.INVITATION, source);
    Invitation invitation =
        find(code)
            .orElseThrow(
                () ->
                    Refusal.wrongSecret(
                        say("account.this-invitation-is-wrong-used-or"),
                        say("account.ask-a-lead-for-a-new")));
    checkPassword(password, List.of(signInName, invitation.displayName()));
    Account account;
    if (invitation.account() != null) {
      account = account(invitation.account());
      account.password(encoder.encode(password));
      sessions.endAll(account);
      audit.of(Audit.Kind.PASSWORD_CHANGED, account.person(), "", "by an invitation");
    } else {
      String name = signInName.strip().toLowerCase(Locale.ROOT);
      if (!name.matches("[a-z0-9.-]{2,60}")) {
        throw Refusal.badRequest(
            say("account.a-sign-in-name-has-2"), say("account.choose-another"));
      }
      if (accounts.findBySignInName(name).isPresent()) {
        throw Refusal.badRequest(
            say("account.the-sign-in-name-is-taken", "name", name), say("account.choose-another"));
      }
      account =
          accounts.save(
              new Account(
                  name,
                  invitation.displayName(),
                  invitation.role(),
                  encoder.encode(password),
                  clock.instant()));
    }
    jdbc.sql("UPDATE invitation SET used_at = ? WHERE id = ?")
        .params(Timestamp.from(clock.instant()), invitation.id())
        .update();
    return account;
  }

  private Optional<Invitation> find(String code) {
    return jdbc.sql(
            "SELECT id, display_name, role, account_id FROM invitation"
                + " WHERE code_hash = ? AND used_at IS NULL AND expires_at > ? FOR UPDATE")
        .params(Secrets.hashOfCode(code), Timestamp.from(clock.instant()))
        .query(
            (rs, n) ->
                new Invitation(
                    rs.getLong(1),
                    rs.getString(2),
                    Role.valueOf(rs.getString(3)),
                    rs.getObject(4, Long.class)))
        .optional();
  }

  @Transactional
  void role(long id, Role role, Person by) {
    by.must(Role.LEAD);
    Account account = account(id);
    if (role != Role.LEAD) {
      leaveALead(account);
    }
    audit.of(Audit.Kind.ROLE_CHANGED, by, account.signInName(), account.role() + " to " + role);
    account.role(role);
    account.endSessions();
    sessions.endAll(account);
  }

  @Transactional
  void active(long id, boolean active, Person by) {
    by.must(Role.LEAD);
    Account account = account(id);
    if (!active) {
      leaveALead(account);
    }
    account.disabled(active ? null : clock.instant());
    audit.of(
        active ? Audit.Kind.ACCOUNT_OPENED : Audit.Kind.ACCOUNT_CLOSED,
        by,
        account.signInName(),
        "");
    sessions.endAll(account);
  }

  /** A shop without a lead could never let anybody in again. */
  private void leaveALead(Account account) {
    boolean another =
        accounts.findAllByOrderByDisplayName().stream()
            .anyMatch(a -> a.role() == Role.LEAD && a.isActive() && a.id() != account.id());
    if (account.role() == Role.LEAD && !another) {
      throw Refusal.notPossibleNow(
          say("account.is-the-only-lead", "account", account.displayName()),
          say("account.make-somebody-else-a-lead-first"));
    }
  }

  /** Ends every other session of the person as well. */
  @Transactional
  Account changePassword(Person person, String old, String fresh) {
    Account account = proven(person, old);
    checkPassword(fresh, List.of(account.signInName(), account.displayName()));
    account.password(encoder.encode(fresh));
    sessions.endAll(account);
    audit.of(Audit.Kind.PASSWORD_CHANGED, person, "", "");
    return account;
  }

  /**
   * @param pin null takes it away
   */
  @Transactional
  void changePin(Person person, String password, String pin) {
    Account account = proven(person, password);
    if (pin != null && pin.chars().distinct().count() == 1) {
      throw Refusal.badRequest(
          say("account.one-digit-repeated-is-no-pin"), say("account.choose-another"));
    }
    account.pin(pin == null ? null : encoder.encode(pin));
    audit.of(Audit.Kind.PIN_CHANGED, person, "", pin == null ? "taken away" : "");
  }

  @Transactional
  void changeLanguage(Person person, Language language) {
    account(person.id()).language(language);
  }

  @Transactional
  void signOutEverywhere(Person person) {
    Account account = account(person.id());
    account.endSessions();
    sessions.endAll(account);
    audit.of(Audit.Kind.SIGNED_OUT, person, "", "everywhere");
  }

  private Account proven(Person person, String password) {
    Account account = account(person.id());
    String source = account.signInName() + "@own";
    attempts.count(Attempts.Kind.SIGN_IN, source);
    if (!encoder.matches(password, account.passwordHash())) {
      throw Refusal.wrongSecret(say("account.that-is-not-your-password"), say("account.try-again"));
    }
    attempts.right(Attempts.Kind.SIGN_IN, source);
    return account;
  }

  /**
   * @param own names of the person: nobody else would be guessed by them
   */
  private static void checkPassword(String password, List<String> own) {
    if (password.length() < MIN_PASSWORD) {
      throw Refusal.badRequest(
          say("account.a-password-has-at-least-characters", "minPassword", MIN_PASSWORD),
          say("account.choose-a-longer-one"));
    }
    if (password.getBytes(StandardCharsets.UTF_8).length > MAX_PASSWORD_BYTES) {
      throw Refusal.badRequest(
          say("account.a-password-has-at-most-bytes", "maxPasswordBytes", MAX_PASSWORD_BYTES),
          say("account.choose-a-shorter-one-letters-with"));
    }
    if (STRENGTH.measure(password, own).getGuessesLog10() < MIN_GUESSES_LOG10) {
      throw Refusal.badRequest(
          say("account.this-password-is-one-of-the"),
          say("account.choose-another-four-or-five-words"));
    }
  }

  private Account account(long id) {
    return accounts
        .findById(id)
        .orElseThrow(
            () -> Refusal.notFound(say("account.there-is-nobody-with-the-number", "id", id)));
  }
}
