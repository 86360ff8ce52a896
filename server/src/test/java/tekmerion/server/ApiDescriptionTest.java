package tekmerion.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** The front end's types are made from this file, so it must be what the server really says. */
@ExtendWith(RunningServer.class)
class ApiDescriptionTest {
  private static final Path FILE = Path.of("../web/src/api/openapi.json");
  private static final JsonMapper JSON =
      JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT).build();

  @Test
  void theFrontEndsDescriptionIsTheServersOwn(RunningServer.Shop shop) throws IOException {
    JsonNode description = shop.signedIn().get("/v3/api-docs").body();
    if (Boolean.getBoolean("tekmerion.writeApi")) {
      Files.writeString(FILE, JSON.writeValueAsString(description) + "\n");
    }

    assertThat(JSON.readTree(Files.readString(FILE)))
        .as("run ./tekmerion api after a change of the API, then build the front end")
        .isEqualTo(description);
  }
}
