package tekmerion.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tekmerion.launch.ShopClient;
import tekmerion.server.account.Access;
import tekmerion.server.person.Role;
import tools.jackson.databind.JsonNode;

/** Every path of the API as every role, and as nobody. */
@ExtendWith(RunningServer.class)
class AccessTest {
  private static final Path PAGE = Path.of("../docs/roles.md");
  private static final Set<String> WITHOUT_SIGN_IN =
      Set.of(
          "GET /api/authority",
          "GET /api/session",
          "POST /api/session",
          "DELETE /api/session",
          "POST /api/session/pin",
          "POST /api/invitations/accept",
          "POST /link/enrolment",
          "POST /link/knock",
          "POST /link/knock/{id}");
  private static final Map<Role, String> NAMES =
      Map.of(Role.TECHNICIAN, "bo", Role.LEAD, "mara", Role.COUNTER, "joao");

  private record Call(String method, String path) {
    /** With something in place of each variable that names nothing of the shop's. */
    String filled() {
      return path.replace("{number}", path.contains("/bays/") ? "99" : "J-0000")
          .replaceAll("\\{(id|other|start)\\}", "999999999")
          .replaceAll("\\{[a-zA-Z]+\\}", "no-such");
    }

    @Override
    public String toString() {
      return method + " " + path;
    }
  }

  private static List<Call> paths(RunningServer.Shop shop) {
    JsonNode paths = shop.signedIn().get("/v3/api-docs").body().get("paths");
    List<Call> all = new ArrayList<>();
    paths
        .propertyNames()
        .forEach(
            path ->
                paths
                    .get(path)
                    .propertyNames()
                    .forEach(method -> all.add(new Call(method.toUpperCase(Locale.ROOT), path))));
    return all;
  }

  private static int status(ShopClient who, Call path) {
    String at = path.filled();
    ShopClient.Answer answer =
        switch (path.method()) {
          case "GET" -> who.get(at);
          case "DELETE" -> who.delete(at);
          case "PUT" -> who.put(at, Map.of());
          case "PATCH" -> who.patch(at, Map.of());
          default -> who.post(at, Map.of());
        };
    return answer.status();
  }

  @Test
  void everyPathIsSomebodysAndStrangersGetNone(RunningServer.Shop shop) {
    ShopClient stranger = shop.stranger();
    stranger.get("/api/session"); // for its protection token
    List<String> wrong = new ArrayList<>();
    List<Call> all = paths(shop);
    for (Call path : all) {
      if (WITHOUT_SIGN_IN.contains(path.toString())) {
        continue;
      }
      if (Access.who(path.method(), path.filled()).isEmpty()) {
        wrong.add(path + " is nobody's");
      }
      int status = status(stranger, path);
      if (status != 401) {
        wrong.add(path + " answers a stranger with " + status);
      }
    }

    assertThat(wrong).isEmpty();
    assertThat(all).hasSizeGreaterThan(80);
  }

  @Test
  void everyRoleIsTurnedAwayFromWhatIsNotForIt(RunningServer.Shop shop) {
    List<String> wrong = new ArrayList<>();
    for (Role role : Role.values()) {
      ShopClient person = shop.signedIn(NAMES.get(role));
      for (Call path : paths(shop)) {
        // The stream never ends, and own sessions would.
        if (WITHOUT_SIGN_IN.contains(path.toString())
            || path.path().equals("/api/live")
            || path.path().startsWith("/api/me/")) {
          continue;
        }
        boolean may = Access.who(path.method(), path.filled()).orElseThrow().roles().contains(role);
        int status = status(person, path);
        if (may == (status == 403) || status >= 500) {
          wrong.add("%s as %s: %d".formatted(path, role, status));
        }
      }
    }

    assertThat(wrong).isEmpty();
  }

  @Test
  void theDocumentSaysWhatTheCodeDoes() throws IOException {
    String rows =
        Access.RULES.stream()
            .map(
                rule ->
                    "| `%s` | %s | %s |"
                        .formatted(
                            rule.path().getPatternString(),
                            rule.methods().stream().sorted().collect(Collectors.joining(", ")),
                            rule.who().words()))
            .collect(Collectors.joining("\n", "| path | methods | who |\n|---|---|---|\n", "\n"));
    String page = Files.readString(PAGE);
    String should =
        page.replaceFirst(
            "(?s)<!-- table -->.*<!-- end -->",
            Matcher.quoteReplacement("<!-- table -->\n" + rows + "<!-- end -->"));
    if (Boolean.getBoolean("tekmerion.writeApi")) {
      Files.writeString(PAGE, should);
    }

    assertThat(Files.readString(PAGE)).as("run ./tekmerion api").isEqualTo(should);
  }
}
