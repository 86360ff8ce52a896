package tekmerion.server.person;

import static tekmerion.words.Words.say;

import java.io.Serializable;
import java.security.Principal;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import tekmerion.server.problem.Refusal;

/** Who is signed in; kept in the session, so only what a session needs. */
public record Person(long id, String signInName, String displayName, Role role)
    implements Serializable, Principal {
  private static final long serialVersionUID = 1L;

  /**
   * @throws Refusal 403 if the person has none of these roles
   */
  public void must(Role... roles) {
    if (!List.of(roles).contains(role)) {
      throw Refusal.forbidden(
          say("person.this-is-not-for-the-role", "role", role.words()),
          say(
              "person.ask-to-do-it",
              "roles",
              Stream.of(roles).map(Role::someone).collect(Collectors.joining(say("person.or")))));
    }
  }

  @Override
  public String getName() {
    return signInName;
  }
}
