package tekmerion.server.customer;

import static tekmerion.words.Words.say;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.Email;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.server.audit.Audit;
import tekmerion.server.customer.CustomerHistory.Agreed;
import tekmerion.server.customer.CustomerHistory.CustomerJob;
import tekmerion.server.job.Customer;
import tekmerion.server.job.Customers;
import tekmerion.server.live.LiveEvents;
import tekmerion.server.person.Person;
import tekmerion.server.person.Role;
import tekmerion.server.photo.Photos;
import tekmerion.server.problem.Refusal;
import tekmerion.server.run.CopiesOfJob;
import tekmerion.server.schema.CopiesOfBefore;
import tekmerion.words.Language;

/** What the shop holds of its customers: looking at it, handing it out, and erasing it. */
@Service
class CustomerFile {
  private static final int MAX = 8;
  private final Customers customers;
  private final CustomerHistory history;
  private final Photos photos;
  private final CopiesOfJob copies;
  private final CopiesOfBefore copiesOfBefore;
  private final Audit audit;
  private final JdbcClient jdbc;
  private final LiveEvents live;
  private final Clock clock;

  /** Somebody who was here before. */
  record KnownCustomer(
      long id,
      String name,
      @Schema(nullable = true) String phone,
      @Schema(nullable = true) String email,
      int jobs) {}

  /**
   * @param phone null or blank if they gave none, as {@code email}
   */
  record Contact(
      @NotBlank @Size(max = 200) String name,
      @Schema(nullable = true) @Size(max = 60) String phone,
      @Schema(nullable = true) @Email @Size(max = 200) String email) {}

  /**
   * @param language of their papers; null until somebody chose
   * @param erasedAt null unless the personal data was erased
   */
  record CustomerView(
      long id,
      String name,
      @Schema(nullable = true) String phone,
      @Schema(nullable = true) String email,
      @Schema(nullable = true) Language language,
      @Schema(nullable = true) Instant erasedAt,
      List<CustomerJob> jobs,
      List<Agreed> agreed) {}

  /** What belongs to a person, for that person: who they are, what they said, what they signed. */
  record Export(Instant made, CustomerView customer, List<Said> said, List<String> photos) {}

  record Said(String job, String answers) {}

  CustomerFile(
      Customers customers,
      CustomerHistory history,
      Photos photos,
      CopiesOfJob copies,
      CopiesOfBefore copiesOfBefore,
      Audit audit,
      JdbcClient jdbc,
      LiveEvents live,
      Clock clock) {
    this.customers = customers;
    this.history = history;
    this.photos = photos;
    this.copies = copies;
    this.copiesOfBefore = copiesOfBefore;
    this.audit = audit;
    this.jdbc = jdbc;
    this.live = live;
    this.clock = clock;
  }

  /** By the beginning of the name. */
  List<KnownCustomer> known(String name) {
    String begins = name.strip().replaceAll("[%_\\\\]", "");
    if (begins.length() < 2) {
      return List.of();
    }
    return jdbc.sql(
            "SELECT c.id, c.display_name, c.phone, c.email,"
                + " (SELECT COUNT(*) FROM job j WHERE j.customer_id = c.id) FROM customer c"
                + " WHERE c.display_name LIKE ? AND c.erased_at IS NULL"
                + " ORDER BY c.display_name LIMIT ?")
        .params(begins + "%", MAX)
        .query(
            (rs, n) ->
                new KnownCustomer(
                    rs.getLong(1), rs.getString(2), rs.getString(3), rs.getString(4), rs.getInt(5)))
        .list();
  }

  /**
   * @throws Refusal 404 if there is no such customer
   */
  @Transactional
  public void changeLanguage(long id, Language language) {
    named(id).language(language);
  }

  /**
   * The audit trail says who changed it and when, not what stood before: who is erased must not
   * live on in the trail, which nobody can change.
   *
   * @throws Refusal 404 if there is no such customer, 409 if their data was erased
   */
  @Transactional
  public void changeContact(long id, Contact contact, Person by) {
    by.must(Role.LEAD, Role.COUNTER);
    Customer customer = named(id);
    if (customer.erasedAt() != null) {
      throw Refusal.notPossibleNow(
          say("customer.their-data-was-erased"), say("customer.take-in-anew"));
    }
    customer.reachedBy(contact.name().strip(), told(contact.phone()), told(contact.email()));
    audit.of(Audit.Kind.CUSTOMER_CHANGED, by, "customer " + id, "");
    live.changed("floor");
  }

  private static String told(String typed) {
    return typed == null || typed.isBlank() ? null : typed.strip();
  }

  private Customer named(long id) {
    return customers
        .findById(id)
        .orElseThrow(() -> Refusal.notFound(say("customer.there-is-no-customer", "id", id)));
  }

  @Transactional(readOnly = true)
  public CustomerView of(long id) {
    Customer customer = named(id);
    return new CustomerView(
        customer.id(),
        customer.displayName(),
        customer.phone(),
        customer.email(),
        customer.language(),
        customer.erasedAt(),
        history.jobs(id),
        history.agreed(id));
  }

  @Transactional(readOnly = true)
  public Export export(long id, Person by) {
    by.must(Role.LEAD, Role.COUNTER);
    CustomerView view = of(id);
    List<Said> said =
        jdbc.sql(
                "SELECT j.number, i.answers FROM intake i JOIN job j ON j.id = i.job_id"
                    + " WHERE j.customer_id = ? ORDER BY j.id")
            .param(id)
            .query((rs, n) -> new Said(rs.getString(1), rs.getString(2)))
            .list();
    List<String> pictures =
        jdbc.sql(
                "SELECT CONCAT('/api/photos/', p.id) FROM photo p JOIN job j ON j.id = p.job_id"
                    + " WHERE j.customer_id = ? AND p.gone_at IS NULL")
            .param(id)
            .query(String.class)
            .list();
    return new Export(clock.instant(), view, said, pictures);
  }

  /**
   * Cannot be undone, so the name is typed; what the machines told stays, linked to nobody.
   *
   * @throws Refusal 400 if the name does not agree, 409 while a machine or a copy is in the shop
   */
  @Transactional
  public void erase(long id, String typedName, Person by) {
    by.must(Role.LEAD);
    CustomerView view = of(id);
    if (view.erasedAt() != null) {
      throw Refusal.notPossibleNow(
          say("customer.this-was-erased-before"), say("customer.there-is-nothing-left-to-erase"));
    }
    if (!view.name().equals(typedName.strip())) {
      throw Refusal.badRequest(
          say("customer.the-name-does-not-agree"), say("customer.type-it-as-it-stands"));
    }
    if (view.jobs().stream().anyMatch(job -> job.endedAt() == null)) {
      throw Refusal.notPossibleNow(
          say("customer.a-machine-of-theirs-is-still"), say("customer.hand-it-back-first"));
    }
    mustHaveNoCopies(id);
    jdbc.sql("CALL erase_customer(?, ?)").params(id, Timestamp.from(clock.instant())).update();
    photos.deleteUnshown();
    copiesOfBefore.delete();
    // By number: the name is what was erased.
    audit.of(Audit.Kind.CUSTOMER_ERASED, by, "customer " + id, "");
    live.changed("floor");
  }

  /** What is forgotten here would lie with a probe for ever, and nobody would know whose it is. */
  private void mustHaveNoCopies(long id) {
    List<String> with =
        jdbc
            .sql("SELECT id, number FROM job WHERE customer_id = ? ORDER BY id")
            .param(id)
            .query((rs, n) -> Map.entry(rs.getLong(1), rs.getString(2)))
            .list()
            .stream()
            .filter(job -> copies.anyKept(job.getKey()))
            .map(Map.Entry::getValue)
            .toList();
    if (!with.isEmpty()) {
      throw Refusal.notPossibleNow(
          say("customer.copies-of-what-was-on-their", "with", String.join(", ", with)),
          say("customer.erase-these-copies-first-where-the"));
    }
  }
}
