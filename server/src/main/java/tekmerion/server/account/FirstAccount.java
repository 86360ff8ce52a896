package tekmerion.server.account;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.SecureRandom;
import java.time.Clock;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;
import tekmerion.link.files.WholeFile;
import tekmerion.server.TekmerionProperties;
import tekmerion.server.person.Role;

/**
 * On an empty database: makes a lead, whose password is in a file until somebody has read it. The
 * demo makes its own people.
 */
@Component
class FirstAccount implements SmartInitializingSingleton {
  private static final Logger LOG = LoggerFactory.getLogger(FirstAccount.class);
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
    // Not to a log, which is kept, copied and read by others: into a file for one pair of eyes.
    Path file = properties.files().resolve("first-sign-in.txt");
    try {
      Files.createDirectories(properties.files());
      WholeFile.write(file, "Sign in as \"lead\" with the password %s.%n".formatted(password));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    LOG.info("First start: the first sign-in is in {}; delete the file once it is read.", file);
  }
}
