package tekmerion.demo;

import java.nio.file.Files;
import java.time.Clock;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.server.account.Account;
import tekmerion.server.account.Accounts;
import tekmerion.server.bay.Bay;
import tekmerion.server.bay.Bays;
import tekmerion.server.maker.MakerNotes;
import tekmerion.server.person.Role;

/**
 * A made-up shop in a harbour town: four people, nine bays, the past jobs that the simulation
 * wrote, twelve machines of today. Only what people said is made here, before the first request is
 * taken; today's readings come over the bench link.
 */
@Component
class DemoShop implements SmartInitializingSingleton {
  private static final int BAYS = 9;

  /** Below those of today.yaml. */
  private static final long LAST_PAST_NUMBER = 2269;

  /** The least that BCrypt can do: the password of a made-up shop is shown on the screen. */
  private static final PasswordEncoder GUESSED_AT_ONCE = new BCryptPasswordEncoder(4);

  private final Accounts accounts;
  private final DemoProperties properties;
  private final Bays bays;
  private final TodaysJobs todays;
  private final PastJobs past;
  private final LargeShop large;
  private final MakerNotes makers;
  private final DemoPrices prices;
  private final DemoStories stories;
  private final JdbcClient jdbc;
  private final Clock clock;

  private final Map<String, Account> people = new HashMap<>();

  DemoShop(
      Accounts accounts,
      DemoProperties properties,
      Bays bays,
      TodaysJobs todays,
      PastJobs past,
      LargeShop large,
      MakerNotes makers,
      DemoPrices prices,
      DemoStories stories,
      JdbcClient jdbc,
      Clock clock) {
    this.accounts = accounts;
    this.properties = properties;
    this.bays = bays;
    this.todays = todays;
    this.past = past;
    this.large = large;
    this.makers = makers;
    this.prices = prices;
    this.stories = stories;
    this.jdbc = jdbc;
    this.clock = clock;
  }

  @Override
  @Transactional
  public void afterSingletonsInstantiated() {
    if (accounts.count() > 0) {
      return;
    }
    Instant now = clock.instant();
    person("ines", "Ines R.", Role.TECHNICIAN, now);
    person("bo", "Bo K.", Role.TECHNICIAN, now);
    person("mara", "Mara T.", Role.LEAD, now);
    person("joao", "João P.", Role.COUNTER, now);
    for (int number = 1; number <= BAYS; number++) {
      bays.save(new Bay(number, null));
    }
    bays.flush();
    prices.set(people.get("mara"), TodaysJobs.before(now, 24 * 200));
    if (properties.history() != null && Files.isRegularFile(properties.history())) {
      past.load(
          properties.history(),
          LAST_PAST_NUMBER,
          people.get("joao"),
          List.of(people.get("ines"), people.get("bo")),
          now);
    }
    MadeUpNote.all()
        .forEach(
            note ->
                makers.keep(
                    note.maker(),
                    note.models(),
                    note.topic(),
                    note.text(),
                    people.get("ines").id(),
                    TodaysJobs.before(now, 24 * 90)));
    for (Today today : Today.all()) {
      todays.takeIn(today, people, now);
    }
    stories.tell(people, now);
    jdbc.sql("UPDATE counter SET next = 2297 WHERE name = 'job'").update();
    if (properties.large()) {
      large.load(now);
    }
  }

  private void person(String name, String displayName, Role role, Instant now) {
    String hash =
        people.isEmpty()
            ? GUESSED_AT_ONCE.encode(properties.password())
            : people.get("ines").copyPasswordHash();
    people.put(name, accounts.save(new Account(name, displayName, role, hash, now)));
  }
}
