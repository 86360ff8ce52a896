package tekmerion.server.demo;

import java.time.Instant;
import tekmerion.server.account.Account;

/** Past jobs of the demo shop. */
interface History {
  void load(Account by, Instant now);
}
