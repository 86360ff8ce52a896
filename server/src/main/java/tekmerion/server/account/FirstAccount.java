package tekmerion.server.account;

import java.security.SecureRandom;
import java.time.Clock;
import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;
import tekmerion.server.TekmerionProperties;

/**
 * On an empty database: makes a lead and prints the password once. The demo makes its own people.
 */
@Component
class FirstAccount implements SmartInitializingSingleton {
  private static final String LETTERS = "abcdefghijkmnpqrstuvwxyz23456789";
  private static final int LENGTH = 16;

  private final Accounts accounts;
  private final PasswordEncoder encoder;
  private final Clock clock;
  private final TekmerionProperties properties;

  FirstAccount(
      Accounts accounts, PasswordEncoder encoder, Clock clock, TekmerionProperties properties) {
    this.accounts = accounts;
    this.encoder = encoder;
    this.clock = clock;
    this.properties = properties;
  }

  @Override
  public void afterSingletonsInstantiated() {
    if (properties.demo() || accounts.count() > 0) {
      return;
    }
    SecureRandom random = new SecureRandom();
    StringBuilder password = new StringBuilder();
    for (int i = 0; i < LENGTH; i++) {
      password.append(LETTERS.charAt(random.nextInt(LETTERS.length())));
    }
    accounts.save(
        new Account(
            "lead", "Lead", Role.LEAD, encoder.encode(password.toString()), clock.instant()));
    System.out.printf(
        "First start: sign in as \"lead\" with the password %s. It is shown only now.%n", password);
  }
}
