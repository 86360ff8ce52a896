package tekmerion.server.account;

import java.io.Serializable;
import java.security.Principal;

/** Who is signed in; kept in the session, so only what a session needs. */
public record Person(long id, String signInName, String displayName, Role role)
    implements Serializable, Principal {
  private static final long serialVersionUID = 1L;

  @Override
  public String getName() {
    return signInName;
  }
}
