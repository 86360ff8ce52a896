package tekmerion.server.account;

import static tekmerion.words.Words.say;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import java.util.stream.Stream;
import org.springframework.http.server.PathContainer;
import org.springframework.security.authorization.AuthorizationDecision;
import org.springframework.security.authorization.AuthorizationManager;
import org.springframework.security.core.Authentication;
import org.springframework.security.web.access.intercept.RequestAuthorizationContext;
import org.springframework.stereotype.Component;
import org.springframework.web.util.pattern.PathPattern;
import org.springframework.web.util.pattern.PathPatternParser;
import tekmerion.server.person.Person;
import tekmerion.server.person.Role;

/**
 * Who may call which path of the API: the one table, asked before anything else of a request is
 * looked at. A path that does not stand here is nobody's. What depends on the job (who holds it,
 * who shares it) is asked where the job is; docs/roles.md says both.
 */
@Component
public class Access implements AuthorizationManager<RequestAuthorizationContext> {
  /** Who may. */
  public enum Who {
    SIGNED_IN(
        "account.everybody-who-is-signed-in", Set.of(Role.TECHNICIAN, Role.LEAD, Role.COUNTER)),
    BENCH("account.technicians-and-leads", Set.of(Role.TECHNICIAN, Role.LEAD)),
    COUNTER("account.the-counter-and-leads", Set.of(Role.COUNTER, Role.LEAD)),
    LEAD("account.leads", Set.of(Role.LEAD));

    private final String words;
    private final Set<Role> roles;

    Who(String words, Set<Role> roles) {
      this.words = words;
      this.roles = roles;
    }

    public String words() {
      return say(words);
    }

    public Set<Role> roles() {
      return roles;
    }
  }

  /**
   * @param methods HTTP methods
   */
  public record Rule(Who who, Set<String> methods, PathPattern path) {
    boolean matches(String method, PathContainer asked) {
      return methods.contains(method) && path.matches(asked);
    }
  }

  private static final String READ = "GET HEAD";

  /** The first that matches holds. */
  public static final List<Rule> RULES =
      Stream.of(
              // The people and their installation.
              rules(Who.LEAD, "PUT POST", "/api/people/**", "/api/know-how/changes"),
              rules(Who.LEAD, "POST", "/api/know-how/preview", "/api/know-how/likelihoods"),
              rules(Who.LEAD, READ, "/api/audit", "/api/know-how/learnt"),
              rules(Who.LEAD, "PUT POST", "/api/prices/**"),
              rules(Who.LEAD, "POST", "/api/jobs/import", "/api/customers/{id}/erase"),
              rules(Who.COUNTER, READ, "/api/customers/{id}/export"),
              rules(Who.COUNTER, "PUT", "/api/customers/{id}"),
              // The bench.
              rules(
                  Who.BENCH,
                  "POST",
                  "/api/bays/{number}/enrolment-codes",
                  "/api/knocks/{id}/*",
                  "/api/maker-notes",
                  "/api/stock/**",
                  "/api/runs/**",
                  "/api/jobs/{number}/take",
                  "/api/jobs/{number}/hand-over",
                  "/api/jobs/{number}/share",
                  "/api/jobs/{number}/secret",
                  "/api/jobs/{number}/changes",
                  "/api/jobs/{number}/check",
                  "/api/jobs/{number}/ready",
                  "/api/jobs/{number}/captures",
                  "/api/jobs/{number}/stick-visits/{id}",
                  "/api/stick/visits",
                  "/api/jobs/{number}/decisions",
                  "/api/jobs/{number}/trials",
                  "/api/jobs/{number}/moves/**",
                  "/api/jobs/{number}/steps/**",
                  "/api/jobs/{number}/isolations/**",
                  "/api/jobs/{number}/parts/**"),
              rules(Who.BENCH, "PUT", "/api/jobs/{number}/isolations/{sort}"),
              rules(Who.BENCH, "PUT DELETE", "/api/parts/{id}/same/{other}"),
              rules(Who.BENCH, "DELETE", "/api/bays/{number}/probe"),
              rules(Who.BENCH, READ, "/api/jobs/{number}/archive.zip", "/api/stick"),
              // The counter's conversation, and what everybody does.
              rules(Who.SIGNED_IN, "POST PUT PATCH DELETE", "/api/intakes", "/api/intakes/{id}/**"),
              rules(
                  Who.SIGNED_IN,
                  "POST",
                  "/api/jobs/{number}/readings",
                  "/api/jobs/{number}/data-status",
                  "/api/jobs/{number}/waivers/**",
                  "/api/jobs/{number}/proof-waiver",
                  "/api/jobs/{number}/estimates/**",
                  "/api/jobs/{number}/photos",
                  "/api/jobs/{number}/wait",
                  "/api/jobs/{number}/bay",
                  "/api/jobs/{number}/hand-back",
                  "/api/jobs/{number}/end"),
              rules(Who.SIGNED_IN, "PUT POST DELETE", "/api/me/**"),
              rules(Who.SIGNED_IN, "PUT", "/api/customers/{id}/language"),
              rules(
                  Who.SIGNED_IN,
                  READ,
                  "/api/live",
                  "/api/floor",
                  "/api/knocks",
                  "/api/search",
                  "/api/questions",
                  "/api/known",
                  "/api/people",
                  "/api/maker-notes",
                  "/api/me/notices",
                  "/api/know-how/**",
                  "/api/stock/**",
                  "/api/prices",
                  "/api/records",
                  "/api/parts/{id}",
                  "/api/readings/**",
                  "/api/runs/{id}",
                  "/api/photos/**",
                  "/api/customers/**",
                  "/api/intakes/**",
                  "/api/jobs/{number}/**"))
          .flatMap(List::stream)
          .toList();

  private static List<Rule> rules(Who who, String methods, String... paths) {
    return Stream.of(paths)
        .map(
            path ->
                new Rule(
                    who, Set.of(methods.split(" ")), PathPatternParser.defaultInstance.parse(path)))
        .toList();
  }

  /** Empty if the path is nobody's. */
  public static Optional<Who> who(String method, String path) {
    PathContainer asked = PathContainer.parsePath(path);
    return RULES.stream().filter(r -> r.matches(method, asked)).map(Rule::who).findFirst();
  }

  @Override
  public AuthorizationDecision authorize(
      Supplier<? extends Authentication> authentication, RequestAuthorizationContext context) {
    Object principal = authentication.get().getPrincipal();
    return new AuthorizationDecision(
        principal instanceof Person person
            && who(context.getRequest().getMethod(), context.getRequest().getRequestURI())
                .filter(who -> who.roles().contains(person.role()))
                .isPresent());
  }
}
